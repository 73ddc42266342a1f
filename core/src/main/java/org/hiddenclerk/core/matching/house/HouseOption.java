package org.hiddenclerk.core.matching.house;

import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * One way to do one or more units with one module, that every rule passes.
 *
 * @param number    its place in the list
 * @param units     units that it does
 * @param lead      box from which gangs and loads are named
 * @param companion what goes behind the other switches
 * @param fitted    every module that goes in, with the box where it goes; a lamp that was not surveyed as a box is not named
 * @param opened    boxes that are opened for it
 * @param minutes   of work, an estimate
 * @param exchanged mechanisms and plates that are exchanged
 * @param silent    whether a wall switch no longer commands it
 * @param cut       whether it can be cut off at the wall
 * @param wishesMissed wishes, not musts, that it does not meet
 * @param notes     reservations that count against it: a neutral left unused
 * @param bypasses  bypasses that it needs, with their watts
 */
public record HouseOption(
        int number,
        List<Unit> units,
        String lead,
        List<Integer> gangs,
        List<Integer> loads,
        SchemeCode scheme,
        ModuleModel model,
        Optional<ModuleModel> companion,
        List<Fitting> fitted,
        List<String> opened,
        int minutes,
        int exchanged,
        boolean silent,
        boolean cut,
        int wishesMissed,
        int notes,
        Optional<Watts> bypass,
        int bypasses) {
    public HouseOption {
        units = List.copyOf(units);
        gangs = List.copyOf(gangs);
        loads = List.copyOf(loads);
        fitted = List.copyOf(fitted);
        opened = List.copyOf(opened);
    }

    /** Links that carry commands between its modules. */
    public int links() {
        return fitted.stream().mapToInt(Fitting::links).sum();
    }

    /** A module in a box. @param links inputs of it that command another one */
    public record Fitting(String box, ModuleModel model, int links) {}
}
