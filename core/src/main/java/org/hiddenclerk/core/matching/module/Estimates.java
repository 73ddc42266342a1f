package org.hiddenclerk.core.matching.module;

import java.math.BigDecimal;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.electrical.part.LoadKind;

/**
 * Share of the resistive rating that a kind of load without a rating of its own may be guessed at: shown beside the HOLD, never
 * in its place. LED lamps are not guessed at all: no LED figure follows from a resistive rating.
 *
 * @param shares by kind, each above 0 and at most 1
 */
public record Estimates(Map<LoadKind, BigDecimal> shares) {
    /** Common practice, no source. */
    public static final Estimates USUAL = new Estimates(Map.of(
            LoadKind.LED_DRIVER,
            new BigDecimal("0.2"),
            LoadKind.MOTOR,
            new BigDecimal("0.3"),
            LoadKind.WIRE_WOUND_TRANSFORMER,
            new BigDecimal("0.3"),
            LoadKind.FLUORESCENT,
            new BigDecimal("0.25"),
            LoadKind.INCANDESCENT,
            new BigDecimal("0.6")));

    public Estimates {
        EnumMap<LoadKind, BigDecimal> ordered = new EnumMap<>(LoadKind.class);
        ordered.putAll(shares);
        shares = Collections.unmodifiableMap(ordered);
        shares.forEach((kind, share) -> {
            if (share.signum() <= 0 || share.compareTo(BigDecimal.ONE) > 0) {
                throw new IllegalArgumentException(
                        "The share for " + kind + " (" + share + ") must be above 0 and at most 1.");
            }
        });
        if (shares.containsKey(LoadKind.LED_LAMP)) {
            throw new IllegalArgumentException("LED lamps (" + shares.get(LoadKind.LED_LAMP)
                    + ") must not be guessed from a resistive rating. Ask the maker.");
        }
    }

    public Optional<BigDecimal> shareFor(LoadKind kind) {
        return Optional.ofNullable(shares.get(kind));
    }
}
