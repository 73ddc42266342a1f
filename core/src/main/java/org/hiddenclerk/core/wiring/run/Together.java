package org.hiddenclerk.core.wiring.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.SurveyedLoad;

/**
 * Gangs, or a load that hangs in the box, that one module may take together.
 *
 * @param words as people would say it
 */
public record Together(String words, List<Integer> gangs, List<Integer> loads) {
    public Together {
        gangs = List.copyOf(gangs);
        loads = List.copyOf(loads);
    }

    /**
     * In the order in which one looks: both directions of a motor, all gangs of a circuit, each gang, each load that hangs here. Gangs
     * that a module in place reads already come last, and in no company.
     */
    public static List<Together> of(SurveyedWiring found) {
        List<Gang> all = found.run().lead().box().gangs();
        List<Gang> gangs = all.stream().filter(gang -> !isRead(found, gang)).toList();
        Set<List<Integer>> several = new LinkedHashSet<>(ofMotors(found, gangs));
        Map<CircuitId, List<Integer>> byCircuit = new LinkedHashMap<>();
        gangs.forEach(gang -> byCircuit
                .computeIfAbsent(gang.circuit(), c -> new ArrayList<>())
                .add(gang.number()));
        byCircuit.values().stream().filter(together -> together.size() > 1).forEach(several::add);
        List<Together> offered = new ArrayList<>(several.stream()
                .map(together -> new Together(words(all, together), together, List.of()))
                .toList());
        Stream.concat(gangs.stream(), all.stream().filter(gang -> !gangs.contains(gang)))
                .forEach(gang -> offered.add(new Together(gang.name(), List.of(gang.number()), List.of())));
        found.run().lead().box().loads().stream()
                .filter(SurveyedLoad::hangsHere)
                .forEach(load -> offered.add(new Together(load.name(), List.of(), List.of(load.number()))));
        return offered;
    }

    /** Whether all that a gang commands is switched by modules that were there before. */
    private static boolean isRead(SurveyedWiring found, Gang gang) {
        List<ConnectedBoxes.LoadRef> loads =
                found.loadsOf(new ConnectedBoxes.GangRef(found.run().lead(), gang.number()));
        return !loads.isEmpty() && loads.stream().allMatch(found::isSwitchedByModule);
    }

    /** Gangs whose loads turn one motor each its own way. */
    private static Set<List<Integer>> ofMotors(SurveyedWiring found, List<Gang> gangs) {
        Map<String, Set<Integer>> byMotor = new LinkedHashMap<>();
        gangs.forEach(
                gang -> found.loadsOf(new ConnectedBoxes.GangRef(found.run().lead(), gang.number()))
                        .forEach(load -> load.load().drive().ifPresent(drive -> byMotor.computeIfAbsent(
                                        load.place().owner() + drive.motor(), m -> new LinkedHashSet<>())
                                .add(gang.number()))));
        Set<List<Integer>> pairs = new LinkedHashSet<>();
        byMotor.values().stream().filter(pair -> pair.size() == 2).forEach(pair -> pairs.add(List.copyOf(pair)));
        return pairs;
    }

    private static String words(List<Gang> gangs, List<Integer> together) {
        if (together.size() == gangs.size()) {
            return "all gangs";
        }
        return String.join(
                " and ",
                together.stream()
                        .map(number -> gangs.stream()
                                .filter(gang -> gang.number() == number)
                                .findFirst()
                                .orElseThrow()
                                .name())
                        .toList());
    }
}
