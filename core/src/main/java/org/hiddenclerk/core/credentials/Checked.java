package org.hiddenclerk.core.credentials;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * What checking a typed credential came to.
 *
 * @param <T> what a good one says
 */
public sealed interface Checked<T> {
    /** It keeps every rule. */
    record Good<T>(T read) implements Checked<T> {}

    /**
     * It breaks a rule.
     *
     * @param why   the first rule that it breaks
     * @param slips single slips of the hand that would explain it; empty where the arithmetic cannot tell
     */
    record Bad<T>(Violation why, List<TypingError> slips) implements Checked<T> {
        public Bad {
            slips = List.copyOf(slips);
        }
    }

    static <T> Checked<T> bad(Violation.Rule rule, String found, String expected) {
        return new Bad<>(new Violation(rule, found, expected), List.of());
    }

    default Optional<T> value() {
        return this instanceof Good<T> good ? Optional.of(good.read()) : Optional.empty();
    }

    default Optional<Violation> flaw() {
        return this instanceof Bad<T> bad ? Optional.of(bad.why()) : Optional.empty();
    }

    /** Single slips of the hand that would explain a bad one. */
    default List<TypingError> slips() {
        return List.of();
    }

    /** The same outcome for another reading of the value. */
    default <U> Checked<U> map(Function<T, U> reading) {
        return this instanceof Good<T> good
                ? new Good<>(reading.apply(good.read()))
                : new Bad<>(((Bad<T>) this).why(), slips());
    }
}
