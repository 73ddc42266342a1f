package org.hiddenclerk.core.credentials;

import java.util.Set;

/** Passcodes of Matter devices: 1 to 99 999 998, but none that everybody tries (Matter Core Specification, 5.1). */
final class Passcodes {
    private static final int LARGEST = 99_999_998;
    private static final int REPEATED = 11_111_111;
    private static final Set<Integer> GUESSED = Set.of(12_345_678, 87_654_321);

    private Passcodes() {}

    static boolean isAllowed(long passcode) {
        return passcode >= 1 && passcode <= LARGEST && passcode % REPEATED != 0 && !GUESSED.contains((int) passcode);
    }
}
