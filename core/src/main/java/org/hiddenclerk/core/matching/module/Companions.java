package org.hiddenclerk.core.matching.module;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** What may go behind the other switches. */
public final class Companions {
    /** Plain modules that are tried beside one that carries the lamp: the cheapest do all that is wanted of them. */
    private static final int PLAIN_ONES = 2;

    private Companions() {}

    /** Whether a scheme leaves it open what goes behind the other switches. */
    static boolean areFor(SchemeCode scheme) {
        return scheme.has(SchemeCode.Trait.COMPANIONS);
    }

    /**
     * What may go behind the other switches beside a module; none means another one of the same.
     *
     * @param positions that the module takes
     */
    public static List<Optional<ModuleModel>> of(
            SchemeCode scheme, ModuleModel model, List<ModuleModel> models, int positions) {
        if (!areFor(scheme)) {
            return List.of(Optional.empty());
        }
        List<ModuleModel> alike = models.stream()
                .filter(other -> other.protocol() == model.protocol() && !other.equals(model))
                .toList();
        List<ModuleModel> enough = alike.stream()
                .filter(other -> other.inputs().size() >= positions)
                .toList();
        List<Optional<ModuleModel>> companions = new ArrayList<>();
        if (!scheme.has(SchemeCode.Trait.COMPANION_READS)) {
            companions.add(Optional.empty());
            enough.stream()
                    .filter(Companions::isPlain)
                    .sorted(Comparator.comparing(
                                    (ModuleModel other) -> other.priceCents().orElse(Integer.MAX_VALUE))
                            .thenComparing(ModuleModel::code))
                    .limit(PLAIN_ONES)
                    .map(Optional::of)
                    .forEach(companions::add);
        }
        // Where none reads as many switches, one with too few says so.
        (enough.stream().anyMatch(ModuleModel::isSender) ? enough : alike)
                .stream().filter(ModuleModel::isSender).map(Optional::of).forEach(companions::add);
        return companions.isEmpty() ? List.of(Optional.empty()) : companions;
    }

    private static boolean isPlain(ModuleModel model) {
        return model.purpose() == Purpose.LIGHTS
                && model.supply() instanceof ModuleSupply.LineNeutral
                && !model.sheet().dims()
                && model.inputs().stream().anyMatch(Input::hasContact);
    }
}
