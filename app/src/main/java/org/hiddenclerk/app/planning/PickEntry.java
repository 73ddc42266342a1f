package org.hiddenclerk.app.planning;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.web.MayBeAbsent;
import org.hiddenclerk.core.behaviour.InputBehaviour;

/**
 * One module picked for some gangs.
 *
 * @param behaviours  behaviour of the input, by gang
 * @param bypassWatts bypass at each lamp, if any
 */
public record PickEntry(@NotBlank @Size(max = 40) String moduleCode,
                        @NotNull @Size(min = 1, max = 6) List<@NotNull Integer> gangs,
                        @NotNull Map<Integer, InputBehaviour> behaviours,
                        @MayBeAbsent @DecimalMin("1") @DecimalMax("200") @Digits(integer = 3, fraction = 1)
                        BigDecimal bypassWatts) {
    public PickEntry {
        gangs = gangs == null ? null : List.copyOf(gangs);
        behaviours = behaviours == null ? null : Map.copyOf(behaviours);
    }
}
