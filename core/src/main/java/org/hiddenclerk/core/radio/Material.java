package org.hiddenclerk.core.radio;

/**
 * What walls and floors are made of. Loss of one wall at 2.4 GHz is the middle of the usual planning range (common practice, no
 * source); lower frequencies lose less in the ratio of the absorption by ITU-R P.2040-2, whose parameters are from memory.
 */
public enum Material {
    PLASTERBOARD("plasterboard", 3, 2.73, 0.0085, 0.9395),
    WOOD("wood", 3.5, 1.99, 0.0047, 1.0718),
    BRICK("brick", 7.5, 3.91, 0.0238, 0.16),
    CONCRETE("concrete", 15, 5.24, 0.0462, 0.7822),
    REINFORCED("reinforced concrete", 20, 5.24, 0.0462, 0.7822),
    GLASS("glass", 3, 6.31, 0.0036, 1.3394),
    /** Metal reflects at every frequency: no less is lost lower down. */
    FOIL("foil-backed board or coated glass", 25, 1, 1, 0);

    private static final double REFERENCE_GHZ = 2.45;
    private static final double MHZ_PER_GHZ = 1000;

    private final String label;
    private final double wallDecibels;
    private final double permittivity;
    private final double c;
    private final double d;

    Material(String label, double wallDecibels, double permittivity, double c, double d) {
        this.label = label;
        this.wallDecibels = wallDecibels;
        this.permittivity = permittivity;
        this.c = c;
        this.d = d;
    }

    public String label() {
        return label;
    }

    /**
     * Absorption within the material, without reflection at its faces (ITU-R P.2040-2): 1636 σ / √ε, σ = c · f^d.
     *
     * @return decibels per metre
     */
    public double absorptionPerMetre(double gigahertz) {
        return 1636 * c * Math.pow(gigahertz, d) / Math.sqrt(permittivity);
    }

    /** What one wall costs, in decibels. */
    public double wallLoss(double megahertz) {
        return wallDecibels * absorptionPerMetre(megahertz / MHZ_PER_GHZ) / absorptionPerMetre(REFERENCE_GHZ);
    }
}
