package org.hiddenclerk.core.wiring.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.ColourEra;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;

/** Cores whose colour tells something else than what they do. A colour is never proof of a role. */
public final class Colours {
    private static final Set<CoreColour> EARTHS = Set.of(CoreColour.GREEN_YELLOW, CoreColour.GREEN, CoreColour.BARE);
    private static final Set<Role> OF_LIVES =
            Set.of(Role.PERMANENT_LIVE, Role.SWITCHED_LIVE, Role.TRAVELLER, Role.CONTROL);

    private Colours() {}

    /** What the colours of a box mislead about, core by core. */
    public static List<Finding> of(Box box, RegionProfile region) {
        List<Finding> findings = new ArrayList<>();
        for (Box.CableCore core : box.cores()) {
            misleads(box, core, region).ifPresent(findings::add);
        }
        return findings;
    }

    private static Optional<Finding> misleads(Box box, Box.CableCore core, RegionProfile region) {
        CoreColour seen = core.core().sleeve().orElse(core.core().colour());
        Role role = core.core().role();
        ColourEra era = ColourEra.of(region, core.cable());
        boolean seenAsEarth = EARTHS.contains(seen) || seen == era.earth();
        if (seenAsEarth && (OF_LIVES.contains(role) || role == Role.NEUTRAL)) {
            return Optional.of(Finding.of(
                    FindingCode.EARTH_COLOUR_MISUSED,
                    subject(box, core),
                    Sentence.of(
                            "{0} is surveyed as {1}; that colour is for protective earth alone.",
                            core.words(), role.label()),
                    era.source(),
                    new Remedy(Remedy.Kind.REWIRE, "test what it is; another core must do its work")));
        }
        boolean seenAsNeutral = era.neutrals().contains(seen);
        if (seenAsNeutral && OF_LIVES.contains(role)) {
            return Optional.of(misleading(box, core, role, era.source(), region.liveColour()));
        }
        if (!seenAsNeutral && role == Role.NEUTRAL) {
            return Optional.of(misleading(box, core, role, era.source(), region.neutralColour()));
        }
        return Optional.empty();
    }

    private static Subject subject(Box box, Box.CableCore core) {
        return new Subject.SurveyedCore(box.label(), core.key());
    }

    private static Finding misleading(Box box, Box.CableCore core, Role role, Source source, CoreColour sleeve) {
        return Finding.of(
                FindingCode.COLOUR_MISLEADS,
                subject(box, core),
                Sentence.of("{0} is a {1}; its colour says otherwise.", core.words(), role.label()),
                source,
                new Remedy(Remedy.Kind.REWIRE, "test it, and sleeve it " + sleeve.words() + " at both ends"));
    }
}
