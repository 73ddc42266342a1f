package org.hiddenclerk.core.matching.module;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;

/** Which wishes of a house a module in a scheme does not meet. */
public final class WishCheck {
    static final Source SOURCE = new Source("wish recorded for this house");

    private WishCheck() {}

    public static List<Finding> of(List<Wish> wishes, ModuleModel model, AtTheWall wall) {
        List<Finding> findings = new ArrayList<>();
        for (Wish wish : wishes) {
            if (wish.kind() == Wish.Kind.FIRMWARE_FEATURE
                    && model.sheet().firmware().isEmpty()) {
                findings.add(Finding.of(
                        wish.must() ? FindingCode.FIGURE_UNKNOWN : FindingCode.WISH_NOT_MET,
                        subject(model, wish),
                        Sentence.of(
                                "No firmware is stated for {0}; whether it has {1} is unknown.",
                                model.code(), wish.detail()),
                        SOURCE,
                        new Remedy(Remedy.Kind.FIND_OUT, "find this out from the maker")));
            } else if (!isMet(wish, model, wall)) {
                findings.add(Finding.of(
                        wish.must() ? FindingCode.WISH_REFUSED : FindingCode.WISH_NOT_MET,
                        subject(model, wish),
                        Sentence.of(
                                "Wanted here: {0}. {1} does not meet it in this scheme.", wish.words(), model.code()),
                        SOURCE,
                        new Remedy(Remedy.Kind.OTHER_MODULE, "another module or scheme, or another wish")));
            }
        }
        return findings;
    }

    private static Subject subject(ModuleModel model, Wish wish) {
        return new Subject.Together(new Subject.Model(model.code()), new Subject.Wish(wish.words()));
    }

    private static boolean isMet(Wish wish, ModuleModel model, AtTheWall wall) {
        return switch (wish.kind()) {
            case PROTOCOL -> model.protocol().label().equalsIgnoreCase(wish.detail());
            case WITHOUT_INTERNET -> model.worksWithoutInternet();
            case METERING -> model.metering();
            case KEEP_PLATES -> wall.keepsPlates();
            case UNNOTICED -> wall.switchesWork();
            case FIRMWARE_FEATURE ->
                model.sheet().firmware().stream()
                        .anyMatch(line -> line.features().stream().anyMatch(feature -> feature.toLowerCase(Locale.ROOT)
                                .equals(wish.detail().toLowerCase(Locale.ROOT))));
        };
    }
}
