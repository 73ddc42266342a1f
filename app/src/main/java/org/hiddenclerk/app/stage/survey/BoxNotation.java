package org.hiddenclerk.app.stage.survey;

import java.util.Locale;
import java.util.Map;
import org.hiddenclerk.core.job.Role;

/** Words of a box as text, the same for whoever reads and writes it. See docs/formats/box-text.md. */
final class BoxNotation {
    static final String JOINT = "joint:";
    /** At the end of what was filled in as it usually is, and nobody has looked at. */
    static final String AS_USUAL = "as-usual";
    /** In place of a box that nobody knows yet. */
    static final String UNKNOWN = "?";

    static final Map<String, Role> ROLES = Map.of(
            "live",
            Role.PERMANENT_LIVE,
            "switched",
            Role.SWITCHED_LIVE,
            "neutral",
            Role.NEUTRAL,
            "earth",
            Role.EARTH,
            "traveller",
            Role.TRAVELLER,
            "control",
            Role.CONTROL,
            "plus",
            Role.ELV_PLUS,
            "minus",
            Role.ELV_MINUS,
            "spare",
            Role.SPARE);

    private BoxNotation() {}

    static String words(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
