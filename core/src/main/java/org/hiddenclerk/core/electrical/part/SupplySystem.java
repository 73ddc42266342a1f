package org.hiddenclerk.core.electrical.part;

/**
 * The mains of a wiring.
 *
 * @param nominalVolts line to neutral, in volts
 * @param frequencyHz  in hertz
 * @param arrangement  how the lines stand to each other
 */
public record SupplySystem(double nominalVolts, double frequencyHz, Arrangement arrangement) {

    /** Angles of the lines. */
    public enum Arrangement {
        /** L1 at 0, L2 at -120, L3 at +120 degrees. */
        THREE_PHASE,
        /** L2 opposite to L1; there is no L3. */
        SPLIT_PHASE
    }

    /** Angle of a line, in degrees; 0 for anything that is not a line. */
    public double degrees(Line line) {
        return switch (line) {
            case L2 -> arrangement == Arrangement.SPLIT_PHASE ? 180 : -120;
            case L3 -> 120;
            case L1, N, PE, ELV_PLUS, ELV_MINUS -> 0;
        };
    }
}
