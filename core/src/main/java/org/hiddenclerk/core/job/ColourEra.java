package org.hiddenclerk.core.job;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.finding.Source;

/** Colours of fixed wiring by region and time; all from memory. A colour is never proof of a role. */
public enum ColourEra {
    EU_NOW(
            RegionProfile.EU_230,
            "as now",
            CoreColour.BROWN,
            CoreColour.BLACK,
            Set.of(CoreColour.BLUE),
            CoreColour.BLUE,
            CoreColour.GREEN_YELLOW,
            "IEC 60445; HD 308 S2:2001"),
    /** Red is earth, grey is neutral: the colours mean something else than anywhere today. */
    DE_BEFORE_1965(
            RegionProfile.EU_230,
            "Germany until 1965",
            CoreColour.BLACK,
            CoreColour.BLACK,
            Set.of(CoreColour.GREY),
            CoreColour.GREY,
            CoreColour.RED,
            "colours in Germany until 1965: grey neutral, red earth; from memory"),
    UK_NOW(
            RegionProfile.UK_230,
            "as now",
            CoreColour.BROWN,
            CoreColour.BLACK,
            Set.of(CoreColour.BLUE),
            CoreColour.BLUE,
            CoreColour.GREEN_YELLOW,
            "BS 7671, colours since Amendment 2:2004"),
    UK_BEFORE_2004(
            RegionProfile.UK_230,
            "before 2004",
            CoreColour.RED,
            CoreColour.YELLOW,
            Set.of(CoreColour.BLACK),
            CoreColour.BLACK,
            CoreColour.GREEN_YELLOW,
            "BS 7671 before Amendment 2:2004: red live, black neutral; from memory"),
    US_NOW(
            RegionProfile.US_120,
            "as now",
            CoreColour.BLACK,
            CoreColour.RED,
            Set.of(CoreColour.WHITE, CoreColour.GREY),
            CoreColour.WHITE,
            CoreColour.BARE,
            "NEC 200.6, 200.7(C), 250.119");

    private final RegionProfile region;
    private final String label;
    private final CoreColour live;
    private final CoreColour secondLine;
    private final Set<CoreColour> neutrals;
    private final CoreColour neutral;
    private final CoreColour earth;
    private final Source source;

    ColourEra(
            RegionProfile region,
            String label,
            CoreColour live,
            CoreColour secondLine,
            Set<CoreColour> neutrals,
            CoreColour neutral,
            CoreColour earth,
            String source) {
        this.region = region;
        this.label = label;
        this.live = live;
        this.secondLine = secondLine;
        this.neutrals = neutrals;
        this.neutral = neutral;
        this.earth = earth;
        this.source = new Source(source);
    }

    /** Eras of a region, the present one first. */
    public static List<ColourEra> of(RegionProfile region) {
        return Arrays.stream(values()).filter(era -> era.region == region).toList();
    }

    /** What new work is done in. */
    public static ColourEra now(RegionProfile region) {
        return of(region).get(0);
    }

    /** The era that the cores of a cable speak for: an earlier one only if they cannot be of the present one. */
    public static ColourEra of(RegionProfile region, Cable cable) {
        return of(region).stream()
                .filter(era -> era != now(region) && era.isSpokenForBy(cable))
                .findFirst()
                .orElse(now(region));
    }

    /** A cable with red and without the colours of today was laid earlier. */
    private boolean isSpokenForBy(Cable cable) {
        boolean today = cable.cores().stream()
                .map(Core::colour)
                .anyMatch(colour -> colour == CoreColour.BROWN
                        || this == DE_BEFORE_1965 && (colour == CoreColour.BLUE || colour == CoreColour.GREEN_YELLOW));
        return !today && cable.cores().stream().anyMatch(core -> core.colour() == CoreColour.RED);
    }

    public RegionProfile region() {
        return region;
    }

    /** What people call the time. */
    public String label() {
        return label;
    }

    public CoreColour live() {
        return live;
    }

    /** Colour of the second line core of a cable. */
    public CoreColour secondLine() {
        return secondLine;
    }

    /** Colours of the line cores of a cable, in the order in which they are usually taken. */
    public List<CoreColour> lives() {
        return List.of(
                live,
                secondLine,
                switch (this) {
                    case EU_NOW, UK_NOW -> CoreColour.GREY;
                    case DE_BEFORE_1965, UK_BEFORE_2004, US_NOW -> CoreColour.BLUE;
                });
    }

    public CoreColour neutral() {
        return neutral;
    }

    /** Colours that are read as neutral. */
    public Set<CoreColour> neutrals() {
        return neutrals;
    }

    public CoreColour earth() {
        return earth;
    }

    /** Document behind the colours. */
    public Source source() {
        return source;
    }
}
