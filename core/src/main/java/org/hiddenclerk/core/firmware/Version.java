package org.hiddenclerk.core.firmware;

import java.math.BigInteger;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A version by Semantic Versioning 2.0.0. Ordered by precedence (section 11), in which the build has no part: versions that differ
 * in it only compare as equal and are not equal.
 *
 * @param preRelease identifiers behind the hyphen; empty for a release
 * @param build      what stands behind the plus sign, or nothing
 */
public record Version(BigInteger major, BigInteger minor, BigInteger patch, List<String> preRelease, String build)
        implements Comparable<Version> {
    private static final String NUMBER = "(0|[1-9]\\d*)";
    private static final String IDENTIFIER = "(?:0|[1-9]\\d*|\\d*[a-zA-Z-][0-9a-zA-Z-]*)";
    private static final Pattern FORM = Pattern.compile(NUMBER + "\\." + NUMBER + "\\." + NUMBER + "(?:-(" + IDENTIFIER
            + "(?:\\." + IDENTIFIER + ")*))?(?:\\+([0-9a-zA-Z-]+(?:\\.[0-9a-zA-Z-]+)*))?");

    public Version {
        preRelease = List.copyOf(preRelease);
    }

    /** Empty for a text that is no version, such as the name of a tag. */
    public static Optional<Version> read(String text) {
        Matcher parts = FORM.matcher(text);
        return parts.matches()
                ? Optional.of(new Version(
                        new BigInteger(parts.group(1)),
                        new BigInteger(parts.group(2)),
                        new BigInteger(parts.group(3)),
                        parts.group(4) == null
                                ? List.of()
                                : List.of(parts.group(4).split("\\.")),
                        parts.group(5) == null ? "" : parts.group(5)))
                : Optional.empty();
    }

    public boolean isRelease() {
        return preRelease.isEmpty();
    }

    @Override
    public int compareTo(Version other) {
        int numbers = major.compareTo(other.major) != 0
                ? major.compareTo(other.major)
                : minor.compareTo(other.minor) != 0 ? minor.compareTo(other.minor) : patch.compareTo(other.patch);
        if (numbers != 0 || isRelease() || other.isRelease()) {
            return numbers != 0 ? numbers : Boolean.compare(isRelease(), other.isRelease());
        }
        for (int i = 0; i < Math.min(preRelease.size(), other.preRelease.size()); i++) {
            int identifiers = compare(preRelease.get(i), other.preRelease.get(i));
            if (identifiers != 0) {
                return identifiers;
            }
        }
        return Integer.compare(preRelease.size(), other.preRelease.size());
    }

    /** Numbers by their value and below words, words by their ASCII. */
    private static int compare(String a, String b) {
        boolean aIsNumber = a.matches("\\d+");
        boolean bIsNumber = b.matches("\\d+");
        if (aIsNumber && bIsNumber) {
            return new BigInteger(a).compareTo(new BigInteger(b));
        }
        return aIsNumber != bIsNumber ? Boolean.compare(bIsNumber, aIsNumber) : a.compareTo(b);
    }

    @Override
    public String toString() {
        return major + "." + minor + "." + patch + (isRelease() ? "" : "-" + String.join(".", preRelease))
                + (build.isEmpty() ? "" : "+" + build);
    }
}
