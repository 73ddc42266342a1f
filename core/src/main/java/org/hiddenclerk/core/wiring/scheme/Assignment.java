package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;

/**
 * One module given to some gangs of a box, by a scheme: the first gang gets the first channel, and so on.
 *
 * @param scheme     how it is wired
 * @param model      what is fitted
 * @param gangs      gang numbers in the order of the channels
 * @param loads      loads that hang in the box, where it has no gang to name
 * @param behaviours behaviour of the input, by gang
 * @param bypass     bypass put across each lamp, if any
 * @param companion  what goes behind the other switches: senders of a split pair, or unloaded modules
 * @param spacer     what a spacer under the plate adds to the depth of the lead box, if one is planned
 */
public record Assignment(
        SchemeCode scheme,
        ModuleModel model,
        List<Integer> gangs,
        List<Integer> loads,
        Map<Integer, InputBehaviour> behaviours,
        Optional<Watts> bypass,
        Optional<ModuleModel> companion,
        Optional<Millimetres> spacer) {
    public Assignment {
        gangs = List.copyOf(gangs);
        loads = List.copyOf(loads);
        behaviours = Map.copyOf(behaviours);
        int positions = gangs.size() + loads.size();
        if (positions == 0 || positions > most(scheme, model, companion)) {
            throw new IllegalArgumentException(
                    "Module " + model.code() + " has " + model.channels().size() + " channels and can't take gangs "
                            + gangs + " and loads " + loads + ".");
        }
    }

    /** How many positions it may take: as many as the module has channels, or the sender of relays at the lamps has inputs. */
    public static int most(SchemeCode scheme, ModuleModel model, Optional<ModuleModel> companion) {
        int channels = Math.max(1, model.channels().size());
        return scheme.has(SchemeCode.Trait.COMPANION_READS)
                ? Math.max(
                        channels,
                        companion.map(sender -> sender.inputs().size()).orElse(1))
                : channels;
    }

    /** Whether each position has a module of its own: relays at several lamps that one sender commands. */
    public boolean isOneForEach() {
        return gangs.size() + loads.size() > Math.max(1, model.channels().size());
    }

    /** What reads the switches at the lead. */
    public ModuleModel reader() {
        return reader(scheme, model, companion);
    }

    /** What reads the switches at the lead: the sender of a relay at the lamp, else the module itself. */
    public static ModuleModel reader(SchemeCode scheme, ModuleModel model, Optional<ModuleModel> companion) {
        return scheme.has(SchemeCode.Trait.COMPANION_READS) ? companion.orElse(model) : model;
    }

    /** Without a spacer. */
    public Assignment(
            SchemeCode scheme,
            ModuleModel model,
            List<Integer> gangs,
            List<Integer> loads,
            Map<Integer, InputBehaviour> behaviours,
            Optional<Watts> bypass,
            Optional<ModuleModel> companion) {
        this(scheme, model, gangs, loads, behaviours, bypass, companion, Optional.empty());
    }

    /** By the usual scheme behind the switch. */
    public Assignment(
            ModuleModel model, List<Integer> gangs, Map<Integer, InputBehaviour> behaviours, Optional<Watts> bypass) {
        this(usualScheme(model), model, gangs, List.of(), behaviours, bypass, Optional.empty());
    }

    /** The scheme that suits a module's supply, for a switch box. */
    public static SchemeCode usualScheme(ModuleModel model) {
        return model.supply() instanceof ModuleSupply.TwoWire
                ? SchemeCode.BEHIND_SWITCH_NO_N
                : SchemeCode.BEHIND_SWITCH_N;
    }

    /** The same with another bypass, or with none. */
    public Assignment with(Optional<Watts> otherBypass) {
        return new Assignment(scheme, model, gangs, loads, behaviours, otherBypass, companion, spacer);
    }

    /** The same with a spacer under the plate. */
    public Assignment on(Millimetres otherSpacer) {
        return new Assignment(scheme, model, gangs, loads, behaviours, bypass, companion, Optional.of(otherSpacer));
    }

    public InputBehaviour behaviour(int gang) {
        return behaviours.getOrDefault(gang, InputBehaviour.EVERY_FLIP);
    }
}
