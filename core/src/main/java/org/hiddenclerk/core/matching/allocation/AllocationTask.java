package org.hiddenclerk.core.matching.allocation;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import org.hiddenclerk.core.matching.house.HouseOption;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.hiddenclerk.core.matching.house.Unit;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.radio.RadioPlan;

/**
 * What is to be settled.
 *
 * @param units     what gets a module
 * @param options   what may be chosen for them, numbered by their place
 * @param onHand    modules on the shelf, by code
 * @param bypassCents price of a bypass, where one is known
 * @param pins      choices that a person fixed
 * @param oneMaker  whether all modules must come from one maker
 * @param limit     time for the solver
 */
public record AllocationTask(
        HouseSurvey survey,
        List<Unit> units,
        List<HouseOption> options,
        Terms terms,
        Weights weights,
        Map<String, Integer> onHand,
        OptionalInt bypassCents,
        List<Pin> pins,
        boolean oneMaker,
        RadioPlan radio,
        Duration limit) {
    public AllocationTask {
        units = List.copyOf(units);
        options = List.copyOf(options);
        onHand = Map.copyOf(onHand);
        pins = List.copyOf(pins);
    }

    /** A unit that must get a module, whatever else would be cheaper. */
    public record Pin(String unit, String module) {}

    AllocationTask pinned(Pin pin) {
        List<Pin> more = new java.util.ArrayList<>(pins);
        more.removeIf(p -> p.unit().equals(pin.unit()));
        more.add(pin);
        return new AllocationTask(
                survey, units, options, terms, weights, onHand, bypassCents, more, oneMaker, radio, limit);
    }

    List<HouseOption> optionsFor(Unit unit) {
        return options.stream().filter(option -> option.units().contains(unit)).toList();
    }
}
