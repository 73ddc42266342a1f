package org.hiddenclerk.core.electrical.part;

import java.util.OptionalDouble;

/** How a module gets its power. Between its two pins it is a resistance. */
public sealed interface ModuleSupply {

    /** Pin that belongs on the live, or on ELV+. */
    String livePin();

    /** The other pin: neutral, output of a two-wire module, or ELV-. */
    String returnPin();

    /** Volts below which the module does not work. */
    double minVolts();

    /** Volts above which it is destroyed, where stated. */
    OptionalDouble maxVolts();

    /** Resistance between the two pins, in ohms, at the wiring's nominal volts. */
    double ohms(double nominalVolts);

    /** Live and neutral. {@code watts} is the module's own draw at nominal volts. */
    record LineNeutral(String livePin, String returnPin, double minVolts, OptionalDouble maxVolts, double watts)
            implements ModuleSupply {
        /** Own draw assumed where none is stated, in watts. */
        public static final double DEFAULT_WATTS = 1.0;

        @Override
        public double ohms(double nominalVolts) {
            return nominalVolts * nominalVolts / watts;
        }
    }

    /** No neutral: a small current through the lamp while the contact is open. */
    record TwoWire(
            String livePin,
            String returnPin,
            double minVolts,
            OptionalDouble maxVolts,
            double standbyMilliamps,
            double minimumLoadWatts)
            implements ModuleSupply {
        @Override
        public double ohms(double nominalVolts) {
            return nominalVolts * 1000 / standbyMilliamps;
        }
    }

    /** Direct current at extra-low voltage; the sign counts. */
    record DirectCurrent(String livePin, String returnPin, double minVolts, OptionalDouble maxVolts, double watts)
            implements ModuleSupply {
        @Override
        public double ohms(double nominalVolts) {
            double atVolts = maxVolts.orElse(minVolts);
            return atVolts * atVolts / watts;
        }
    }
}
