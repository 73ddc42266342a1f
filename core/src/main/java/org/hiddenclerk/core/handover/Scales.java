package org.hiddenclerk.core.handover;

import java.math.BigDecimal;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.handover.HandoverTest.Judged;
import org.hiddenclerk.core.handover.HandoverTest.Scale;
import org.hiddenclerk.core.joining.Link;
import org.hiddenclerk.core.quantity.Watts;

/** How figures of the hand-over tests are judged; common practice, no source. */
final class Scales {
    private static final BigDecimal GOOD_MS = new BigDecimal("500");
    private static final BigDecimal FAULT_MS = new BigDecimal("2000");
    /** Lamps draw less than their makers print, and cheap meters are coarse. */
    private static final BigDecimal SHARE = new BigDecimal("0.4");

    private static final BigDecimal COARSE_W = new BigDecimal("3");

    private Scales() {}

    /** From a hand to the hub: half a second is good, seconds are a fault. */
    static Scale delay() {
        return new Of("ms", figure -> {
            if (figure.compareTo(GOOD_MS) <= 0) {
                return new Judged(true, words(figure, "ms") + ": good, at most 500 ms");
            }
            return figure.compareTo(FAULT_MS) <= 0
                    ? new Judged(true, words(figure, "ms") + ": slow, over 500 ms; a household notices")
                    : new Judged(false, words(figure, "ms") + ": a fault, over 2000 ms");
        });
    }

    /** What a module measures beside what hangs on it. */
    static Scale metering(Watts rated) {
        BigDecimal around = rated.asDecimal().multiply(SHARE).max(COARSE_W);
        return new Of("W", figure -> {
            boolean plausible = figure.subtract(rated.asDecimal()).abs().compareTo(around) <= 0;
            return new Judged(
                    plausible,
                    words(figure, "W") + (plausible ? ": plausible beside " : ": not plausible beside ")
                            + words(rated.asDecimal(), "W") + " listed, give or take " + words(around, "W"));
        });
    }

    /** A weak link passes: it is written down, and what would help is told. */
    static Scale link(Protocol protocol) {
        return new Of(Link.of(protocol, 0).unit(), figure -> {
            Link link = Link.of(protocol, figure.intValue());
            return new Judged(
                    link.grade() != Link.Grade.POOR,
                    words(figure, link.unit()) + ": " + link.grade().label()
                            + (link.grade() == Link.Grade.GOOD
                                    ? ""
                                    : "; " + link.grade().remedy()));
        });
    }

    private static String words(BigDecimal figure, String unit) {
        return figure.stripTrailingZeros().toPlainString() + " " + unit;
    }

    private record Of(String unit, java.util.function.Function<BigDecimal, Judged> judging) implements Scale {
        @Override
        public Judged judge(BigDecimal figure) {
            return judging.apply(figure);
        }
    }
}
