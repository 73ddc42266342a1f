package org.hiddenclerk.core.finding;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * What a finding says: its facts, and the words around them. Facts can be compared, sorted and told in other words; the
 * sentence is made of them here and nowhere else.
 *
 * @param words   the sentence, with {@code {found}}, {@code {allowed}}, {@code {excess}}, {@code {left}} and {@code
 *                {0}}, {@code {1}} ... where facts go
 * @param found   what is there, where it is a figure
 * @param allowed the limit that it is held to
 * @param parts   names of what it speaks of
 */
public record Sentence(String words, Optional<Amount> found, Optional<Amount> allowed, List<String> parts) {
    private static final Pattern SLOT = Pattern.compile("\\{(found|allowed|excess|left|\\d+)}");

    /** A figure with its unit, as exact as it is told. */
    public record Amount(BigDecimal value, String unit) {
        public static Amount of(double value, int decimals, String unit) {
            return new Amount(BigDecimal.valueOf(value).setScale(decimals, RoundingMode.HALF_UP), unit);
        }

        @Override
        public String toString() {
            return value.toPlainString() + (unit.isEmpty() ? "" : "\u2009" + unit);
        }
    }

    public Sentence {
        parts = List.copyOf(parts);
    }

    /** A sentence about some parts; {@code {0}} is the first of them. */
    public static Sentence of(String words, Object... parts) {
        return new Sentence(
                words,
                Optional.empty(),
                Optional.empty(),
                Stream.of(parts).map(String::valueOf).toList());
    }

    public Sentence found(Amount amount) {
        return new Sentence(words, Optional.of(amount), allowed, parts);
    }

    public Sentence found(BigDecimal value, String unit) {
        return found(new Amount(value, unit));
    }

    public Sentence found(double value, int decimals, String unit) {
        return found(Amount.of(value, decimals, unit));
    }

    public Sentence allowed(Amount amount) {
        return new Sentence(words, found, Optional.of(amount), parts);
    }

    public Sentence allowed(BigDecimal value, String unit) {
        return allowed(new Amount(value, unit));
    }

    public Sentence allowed(double value, int decimals, String unit) {
        return allowed(Amount.of(value, decimals, unit));
    }

    /**
     * The facts alone, the same text for the same facts: what a person takes on is kept with it. Names by themselves do not say what is the
     * matter with them, so the words stand beside them.
     */
    public String facts() {
        List<String> facts = new ArrayList<>();
        if (found.isEmpty() && allowed.isEmpty()) {
            facts.add(words);
        }
        found.ifPresent(amount -> facts.add("found " + amount));
        allowed.ifPresent(amount -> facts.add("allowed " + amount));
        parts.forEach(part -> facts.add("of " + part));
        return String.join("; ", facts);
    }

    /** The sentence for people. */
    public String text() {
        return SLOT.matcher(words).replaceAll(slot -> java.util.regex.Matcher.quoteReplacement(fill(slot)));
    }

    private String fill(MatchResult slot) {
        return switch (slot.group(1)) {
            case "found" -> found.map(Amount::toString).orElse(slot.group());
            case "allowed" -> allowed.map(Amount::toString).orElse(slot.group());
            case "excess" -> difference(found, allowed).orElse(slot.group());
            case "left" -> difference(allowed, found).orElse(slot.group());
            default -> part(slot);
        };
    }

    private static Optional<String> difference(Optional<Amount> more, Optional<Amount> less) {
        return more.flatMap(a -> less.map(b -> new Amount(a.value().subtract(b.value()), a.unit()).toString()));
    }

    private String part(MatchResult slot) {
        int number = Integer.parseInt(slot.group(1));
        return number < parts.size() ? parts.get(number) : slot.group();
    }
}
