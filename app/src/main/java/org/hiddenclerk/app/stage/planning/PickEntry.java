package org.hiddenclerk.app.stage.planning;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * One module picked for some gangs, or for loads that hang in the box.
 *
 * @param scheme        how it is wired; the usual way for its supply when left out
 * @param loads         loads that hang in the box and have no gang here
 * @param companionCode what goes behind the other switches, where the scheme wants something else there
 * @param behaviours  behaviour of the input, by gang
 * @param bypassWatts bypass at each lamp, if any
 * @param spacerMm    what a spacer under the plate adds to the depth of the box, if one is planned
 */
public record PickEntry(
        @NotBlank @Size(max = 40) String moduleCode,
        @NotNull @Size(max = 6) List<@NotNull Integer> gangs,
        @NotNull Map<Integer, InputBehaviour> behaviours,
        @MayBeAbsent @DecimalMin("1") @DecimalMax("200") @Digits(integer = 3, fraction = 1) BigDecimal bypassWatts,
        @MayBeAbsent SchemeCode scheme,
        @MayBeAbsent @Size(max = 6) List<@NotNull Integer> loads,
        @MayBeAbsent @Size(max = 40) String companionCode,
        @MayBeAbsent @Min(1) @Max(200) Integer spacerMm) {
    public PickEntry {
        loads = loads == null ? List.of() : List.copyOf(loads);
        gangs = gangs == null ? null : List.copyOf(gangs);
        behaviours = behaviours == null ? null : Map.copyOf(behaviours);
    }

    PickEntry withSpacer(int millimetres) {
        return new PickEntry(moduleCode, gangs, behaviours, bypassWatts, scheme, loads, companionCode, millimetres);
    }

    PickEntry withBypass(BigDecimal watts) {
        return new PickEntry(moduleCode, gangs, behaviours, watts, scheme, loads, companionCode, spacerMm);
    }

    PickEntry with(int gang, InputBehaviour behaviour) {
        Map<Integer, InputBehaviour> changed = new java.util.HashMap<>(behaviours);
        changed.put(gang, behaviour);
        return new PickEntry(moduleCode, gangs, changed, bypassWatts, scheme, loads, companionCode, spacerMm);
    }
}
