package org.hiddenclerk.core.credentials;

/** Check digits by Verhoeff (1969): the dihedral group of the pentagon finds all single wrong digits and all swaps of neighbours. */
final class Verhoeff {
    private static final int[][] PRODUCT = {
        {0, 1, 2, 3, 4, 5, 6, 7, 8, 9},
        {1, 2, 3, 4, 0, 6, 7, 8, 9, 5},
        {2, 3, 4, 0, 1, 7, 8, 9, 5, 6},
        {3, 4, 0, 1, 2, 8, 9, 5, 6, 7},
        {4, 0, 1, 2, 3, 9, 5, 6, 7, 8},
        {5, 9, 8, 7, 6, 0, 4, 3, 2, 1},
        {6, 5, 9, 8, 7, 1, 0, 4, 3, 2},
        {7, 6, 5, 9, 8, 2, 1, 0, 4, 3},
        {8, 7, 6, 5, 9, 3, 2, 1, 0, 4},
        {9, 8, 7, 6, 5, 4, 3, 2, 1, 0}
    };
    private static final int[] PERMUTED = {1, 5, 7, 6, 2, 8, 3, 0, 9, 4};
    private static final int[] INVERSE = {0, 4, 3, 2, 1, 5, 6, 7, 8, 9};

    private Verhoeff() {}

    static boolean isRight(String digits) {
        return sum(digits, 0) == 0;
    }

    static int checkDigit(String digits) {
        return INVERSE[sum(digits, 1)];
    }

    private static int sum(String digits, int first) {
        int sum = 0;
        for (int i = 0; i < digits.length(); i++) {
            int digit = digits.charAt(digits.length() - 1 - i) - '0';
            for (int times = 0; times < (i + first) % 8; times++) {
                digit = PERMUTED[digit];
            }
            sum = PRODUCT[sum][digit];
        }
        return sum;
    }
}
