package org.hiddenclerk.core.joining;

import org.hiddenclerk.core.catalogue.Protocol;

/**
 * How well a module is heard.
 *
 * @param figure in {@code unit}
 * @param unit   LQI from 0 to 255 (IEEE 802.15.4), or the strength of its signal in dBm
 */
public record Link(int figure, String unit, Grade grade) {
    /** Limits are common practice, no source; they hold for the module with plate and cover on. */
    public enum Grade {
        GOOD("good", ""),
        WEAK(
                "weak",
                "works, and will not in a wet winter with the door shut: a mains-powered neighbour that passes messages on helps"),
        POOR(
                "poor",
                "will lose messages: bring a neighbour nearer, the aerial lead out of the metal, or take it out of the box");

        private final String label;
        private final String remedy;

        Grade(String label, String remedy) {
            this.label = label;
            this.remedy = remedy;
        }

        public String label() {
            return label;
        }

        public String remedy() {
            return remedy;
        }
    }

    private static final int LQI_GOOD = 100;
    private static final int LQI_WEAK = 50;
    private static final int DBM_GOOD = -67;
    private static final int DBM_WEAK = -78;

    public static Link of(Protocol protocol, int figure) {
        boolean lqi = protocol.tellsLinkQuality();
        int good = lqi ? LQI_GOOD : DBM_GOOD;
        int weak = lqi ? LQI_WEAK : DBM_WEAK;
        return new Link(
                figure, lqi ? "LQI" : "dBm", figure >= good ? Grade.GOOD : figure >= weak ? Grade.WEAK : Grade.POOR);
    }
}
