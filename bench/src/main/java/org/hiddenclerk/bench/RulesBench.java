package org.hiddenclerk.bench;

import java.lang.management.ManagementFactory;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Guard;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuleAnalysis;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.Trigger;
import org.hiddenclerk.core.schedule.Schedule;
import org.jgrapht.alg.cycle.CycleDetector;
import org.jgrapht.graph.DefaultDirectedGraph;
import org.jgrapht.graph.DefaultEdge;

/**
 * Rules of growing houses analysed, and their reach told. Beside it, in the same run: JGraphT looks for circles in the graph of
 * which rule may set which going, and for nothing else.
 */
public final class RulesBench {
    private static final int ROUNDS = 9;
    private static final int WARM = 6;

    private RulesBench() {}

    public static void main(String[] args) {
        for (int rules : new int[] {125, 250, 500, 1000}) {
            RuledHouse house = house(rules * 2 / 5, rules, 7);
            double[] analysis = new double[ROUNDS];
            double[] reach = new double[ROUNDS];
            double[] graph = new double[ROUNDS];
            double first = 0;
            int found = 0;
            for (int round = -WARM; round < ROUNDS; round++) {
                long begin = System.nanoTime();
                found = RuleAnalysis.of(house, Delays.USUAL).size();
                double took = (System.nanoTime() - begin) / 1e6;
                first = round == -WARM ? took : first;
                begin = System.nanoTime();
                Reach.of(house, Delays.USUAL);
                double reached = (System.nanoTime() - begin) / 1e6;
                begin = System.nanoTime();
                circles(house);
                double drawn = (System.nanoTime() - begin) / 1e6;
                if (round >= 0) {
                    analysis[round] = took;
                    reach[round] = reached;
                    graph[round] = drawn;
                }
            }
            System.out.printf(
                    Locale.ROOT,
                    "%d rules, %d devices, %d findings: analysis %s ms, first %.0f ms; reach %s ms; JGraphT's circles alone %s ms%n",
                    rules,
                    house.devices().size(),
                    found,
                    spread(analysis),
                    first,
                    spread(reach),
                    spread(graph));
        }
        System.gc();
        System.out.printf(
                Locale.ROOT,
                "heap in use %d MB, allowed %d MB%n",
                ManagementFactory.getMemoryMXBean().getHeapMemoryUsage().getUsed() >> 20,
                Runtime.getRuntime().maxMemory() >> 20);
    }

    private static String spread(double[] ms) {
        Arrays.sort(ms);
        return String.format(Locale.ROOT, "%.1f (%.1f to %.1f)", ms[ms.length / 2], ms[0], ms[ms.length - 1]);
    }

    /** Rules of ten kinds over lamps with their switches; some of them chase each other. */
    static RuledHouse house(int lamps, int count, long seed) {
        Random random = new Random(seed);
        List<Device> devices = new ArrayList<>();
        for (int i = 0; i < lamps; i++) {
            devices.add(new Device(
                    new DeviceId("d" + i),
                    "Lamp " + i,
                    "Room " + i / 3,
                    Protocol.ZIGBEE,
                    Optional.of("C" + i % 12),
                    Set.of(Link.Way.DIRECT_BINDING),
                    List.of(new Device.Output(
                            new OutputId("o" + i), "lamp " + i, Device.Drives.LIGHT, Device.Drives.LIGHT, i % 4 == 0)),
                    List.of(new Device.Control(
                            new ControlId("s" + i),
                            "switch " + i,
                            Device.Kind.ROCKER,
                            i % 3 == 0 ? InputBehaviour.POSITION_RULES : InputBehaviour.EVERY_FLIP,
                            Optional.of(new OutputId("o" + i)))),
                    i % 5 == 0
                            ? List.of(new Device.Sensor(new SensorId("m" + i), "motion " + i, Device.Senses.MOTION))
                            : List.of()));
        }
        List<Rule> rules = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            rules.add(rule(i, lamps, random));
        }
        return new RuledHouse(devices, List.of(), rules);
    }

    private static Rule rule(int i, int lamps, Random random) {
        // Rules crowd on a part of the lamps, so that one sets the other going.
        String one = "o" + random.nextInt(lamps / 2);
        String other = "o" + random.nextInt(lamps / 2);
        String motion = "m" + random.nextInt(lamps / 5) * 5;
        Trigger trigger =
                switch (i % 5) {
                    case 0 -> new Trigger.Sensed(new SensorId(motion), Trigger.Reading.MOVES, 0);
                    case 1 -> new Trigger.Changes(new OutputId(one), Trigger.To.ON, false);
                    case 2 ->
                        new Trigger.Due(
                                new Schedule.Daily(LocalTime.of(random.nextInt(24), random.nextInt(60)), Set.of()));
                    case 3 -> new Trigger.Changes(new OutputId(one), Trigger.To.OFF, random.nextBoolean());
                    default -> new Trigger.Sensed(new SensorId(motion), Trigger.Reading.STILL, 10);
                };
        Action action =
                switch (random.nextInt(6)) {
                    case 0 -> new Action.RunOn(new OutputId(other), 300);
                    case 1 -> new Action.Turn(new OutputId(other), Action.Command.OFF);
                    case 2 ->
                        i % 97 == 0
                                ? new Action.AllOff(Set.of())
                                : new Action.Turn(new OutputId(other), Action.Command.ON);
                    case 3 -> new Action.SetLevel(new OutputId(other), 40);
                    case 4 ->
                        i % 31 == 0
                                ? new Action.Turn(new OutputId(other), Action.Command.TOGGLE)
                                : new Action.Turn(new OutputId(other), Action.Command.ON);
                    default -> new Action.Turn(new OutputId(other), Action.Command.ON);
                };
        List<Guard> guards = random.nextInt(3) == 0 ? List.of(new Guard.Dark(random.nextBoolean())) : List.of();
        return new Rule(
                "r" + i,
                "rule " + i,
                Rule.RunsOn.HUB,
                List.of(trigger),
                guards,
                List.of(new Rule.Deed(action, random.nextInt(4) == 0 ? 120 : 0)),
                true);
    }

    private static boolean circles(RuledHouse house) {
        DefaultDirectedGraph<String, DefaultEdge> graph = new DefaultDirectedGraph<>(DefaultEdge.class);
        house.rules().forEach(rule -> graph.addVertex(rule.id()));
        for (Rule from : house.rules()) {
            for (Rule to : house.rules()) {
                boolean sets = to.triggers().stream()
                        .anyMatch(trigger -> trigger instanceof Trigger.Changes changes
                                && !changes.byHandOnly()
                                && from.deeds().stream()
                                        .anyMatch(
                                                deed -> deed.action().outputs().contains(changes.output())));
                if (sets) {
                    graph.addEdge(from.id(), to.id());
                }
            }
        }
        return new CycleDetector<>(graph).detectCycles();
    }
}
