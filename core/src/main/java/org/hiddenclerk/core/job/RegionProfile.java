package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.List;
import java.util.OptionalInt;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.SupplySystem;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.quantity.Volts;

/** What the country of a job decides. */
public enum RegionProfile {
    EU_230(
            "Europe, 230 V",
            InstallationCode.IEC_60364,
            230,
            50,
            SupplySystem.Arrangement.THREE_PHASE,
            OptionalInt.empty(),
            "EU",
            "EN 60038: 230 V +/-10 %",
            "207",
            "253",
            "1.5",
            868.42),
    UK_230(
            "United Kingdom, 230 V",
            InstallationCode.BS_7671,
            230,
            50,
            SupplySystem.Arrangement.THREE_PHASE,
            OptionalInt.empty(),
            "UK",
            "ESQCR 2002, reg. 27: 230 V +10/-6 %",
            "216.2",
            "253",
            "1.5",
            868.42),
    US_120(
            "United States, 120/240 V",
            InstallationCode.NEC,
            120,
            60,
            SupplySystem.Arrangement.SPLIT_PHASE,
            OptionalInt.of(80),
            "US",
            "ANSI C84.1 range A: 114 to 126 V",
            "114",
            "126",
            "2.08",
            908.42);

    private final String label;
    private final InstallationCode code;
    private final int nominalVolts;
    private final int frequencyHz;
    private final SupplySystem.Arrangement arrangement;
    private final OptionalInt continuousPercent;
    private final String market;
    private final String voltageSource;
    private final BigDecimal lowestVolts;
    private final BigDecimal highestVolts;
    private final BigDecimal usualLightingMm2;
    private final double zwaveMegahertz;

    RegionProfile(
            String label,
            InstallationCode code,
            int nominalVolts,
            int frequencyHz,
            SupplySystem.Arrangement arrangement,
            OptionalInt continuousPercent,
            String market,
            String voltageSource,
            String lowestVolts,
            String highestVolts,
            String usualLightingMm2,
            double zwaveMegahertz) {
        this.label = label;
        this.code = code;
        this.nominalVolts = nominalVolts;
        this.frequencyHz = frequencyHz;
        this.arrangement = arrangement;
        this.continuousPercent = continuousPercent;
        this.market = market;
        this.voltageSource = voltageSource;
        this.lowestVolts = new BigDecimal(lowestVolts);
        this.highestVolts = new BigDecimal(highestVolts);
        this.usualLightingMm2 = new BigDecimal(usualLightingMm2);
        this.zwaveMegahertz = zwaveMegahertz;
    }

    public String label() {
        return label;
    }

    /** Rules that it installs by. */
    public InstallationCode code() {
        return code;
    }

    /** First frequency of Z-Wave there, in MHz (ITU-T G.9959). */
    public double zwaveMegahertz() {
        return zwaveMegahertz;
    }

    public Volts nominalVolts() {
        return Volts.of(nominalVolts);
    }

    public Volts lowestVolts() {
        return Volts.of(lowestVolts);
    }

    public Volts highestVolts() {
        return Volts.of(highestVolts);
    }

    /** Colour for new live conductors within a box. */
    public CoreColour liveColour() {
        return ColourEra.now(this).live();
    }

    /** Colour for new neutral conductors within a box. */
    public CoreColour neutralColour() {
        return ColourEra.now(this).neutral();
    }

    /** Colour of protective earth. */
    public CoreColour earthColour() {
        return ColourEra.now(this).earth();
    }

    /** Cross-section usual for lighting: 14 AWG is 2.08 mm²; common practice, no source. */
    public BigDecimal usualLightingMm2() {
        return usualLightingMm2;
    }

    /** Document behind the limits of the voltage. */
    public Source voltageSource() {
        return new Source(voltageSource);
    }

    /** Share of a rating that three hours or more may take, in percent; empty where the region has no such rule. */
    public OptionalInt continuousPercent() {
        return continuousPercent;
    }

    /** Document behind {@link #continuousPercent()}; the edition in force decides. */
    public Source continuousSource() {
        return new Source("NEC 210.20(A), Article 100 continuous load; from memory, check the edition in force");
    }

    /** Market whose approvals count. */
    public String market() {
        return market;
    }

    /** Lines that a circuit can hang on. */
    public List<Line> phases() {
        return arrangement == SupplySystem.Arrangement.SPLIT_PHASE
                ? List.of(Line.L1, Line.L2)
                : List.of(Line.L1, Line.L2, Line.L3);
    }

    public SupplySystem supplySystem() {
        return new SupplySystem(nominalVolts, frequencyHz, arrangement);
    }
}
