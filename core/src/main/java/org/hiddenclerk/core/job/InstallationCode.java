package org.hiddenclerk.core.job;

import org.hiddenclerk.core.quantity.LengthUnit;
import org.hiddenclerk.core.quantity.Millimetres;

/** The rules that a region installs by, as far as the clerk reckons by them. Regions that install alike share one. */
public enum InstallationCode {
    IEC_60364(40, 40, LengthUnit.MILLIMETRE),
    BS_7671(40, 46, LengthUnit.MILLIMETRE),
    NEC(34, 70, LengthUnit.INCH);

    private final int mechanismWidth;
    private final int mechanismHeight;
    private final LengthUnit lengths;

    InstallationCode(int mechanismWidth, int mechanismHeight, LengthUnit lengths) {
        this.mechanismWidth = mechanismWidth;
        this.mechanismHeight = mechanismHeight;
        this.lengths = lengths;
    }

    /** Width of a usual mechanism behind its plate; common practice, no source. */
    public Millimetres mechanismWidth() {
        return Millimetres.of(mechanismWidth);
    }

    /** Height of a usual mechanism behind its plate; common practice, no source. */
    public Millimetres mechanismHeight() {
        return Millimetres.of(mechanismHeight);
    }

    /** What its boxes and conductors are measured in by those who install. */
    public LengthUnit lengths() {
        return lengths;
    }

    /** Whether a box is sized by the volume of what is in it, as NEC 314.16 has it, and not by trying whether it goes in. */
    public boolean countsBoxVolume() {
        return this == NEC;
    }

    /** Whether conductors are sized in gauges and protected by a table of gauges. */
    public boolean sizesByGauge() {
        return this == NEC;
    }
}
