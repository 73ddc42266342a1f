package org.hiddenclerk.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;

/**
 * A house beside ngspice in one run. The simulator gets the best case: every state of every position as a separate circuit in
 * one deck, one operating point for all, one process.
 */
public final class BesideSimulator {
    private static final int POSITIONS = 200;
    private static final int ROUNDS = 30;

    private BesideSimulator() {}

    public static void main(String[] arguments) throws IOException, InterruptedException {
        List<Wiring> house = House.of(POSITIONS);
        double[] ours = new double[ROUNDS];
        for (int round = -ROUNDS; round < ROUNDS; round++) {
            long began = System.nanoTime();
            house.forEach(WiringCheck::of);
            if (round >= 0) {
                ours[round] = (System.nanoTime() - began) / 1e6;
            }
        }
        Path deck = Files.createTempFile("house", ".cir");
        Files.writeString(deck, deck(house));
        double[] simulator = new double[3];
        for (int round = 0; round < simulator.length; round++) {
            long began = System.nanoTime();
            Process process = new ProcessBuilder("ngspice", "-b", deck.toString())
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            process.waitFor();
            simulator[round] = (System.nanoTime() - began) / 1e6;
        }
        Files.delete(deck);
        report("full check of " + POSITIONS + " positions", ours);
        report("ngspice, operating points of the same states", simulator);
    }

    private static void report(String what, double[] ms) {
        java.util.Arrays.sort(ms);
        System.out.printf(
                Locale.ROOT,
                "%s: median %.1f ms, least %.1f, most %.1f (%d rounds)%n",
                what,
                ms[ms.length / 2],
                ms[0],
                ms[ms.length - 1],
                ms.length);
    }

    private static String deck(List<Wiring> house) {
        StringBuilder deck = new StringBuilder("house\n");
        int circuit = 0;
        int element = 0;
        for (Wiring wiring : house) {
            List<Part> switches = wiring.parts().stream()
                    .filter(Part.Switch.class::isInstance)
                    .toList();
            List<Part> modules = wiring.parts().stream()
                    .filter(Part.FittedModule.class::isInstance)
                    .toList();
            int channels = modules.stream()
                    .mapToInt(m -> ((Part.FittedModule) m).channels().size())
                    .sum();
            for (int state = 0; state < 1 << switches.size() + channels; state++) {
                element = addCircuit(deck, wiring, switches, state, circuit++, element);
            }
        }
        return deck.append(".op\n.end\n").toString();
    }

    private static int addCircuit(
            StringBuilder deck, Wiring wiring, List<Part> switches, int state, int circuit, int first) {
        int element = first;
        Map<String, String> nodes = new LinkedHashMap<>();
        int bit = switches.size();
        for (Part part : wiring.parts()) {
            part.pins().values().forEach(node -> nodes.putIfAbsent(node.value(), "c" + circuit + "n" + nodes.size()));
        }
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Supply supply) {
                deck.append("V")
                        .append(element++)
                        .append(' ')
                        .append(nodes.get(supply.pins().get("out").value()))
                        .append(" 0 ")
                        .append(supply.line().isLive() ? 230 : 0)
                        .append('\n');
            } else if (part instanceof Part.Conductor || part instanceof Part.Link) {
                element = resistor(deck, element, nodes, part, "a", "b", 0.001);
            } else if (part instanceof Part.Switch mechanism) {
                for (Mechanism.Contact contact : mechanism.mechanism().contacts(state >> switches.indexOf(part) & 1)) {
                    element = resistor(deck, element, nodes, part, contact.from(), contact.to(), 0.001);
                }
            } else if (part instanceof Part.Load load) {
                element = resistor(deck, element, nodes, part, "L", "N", 230 * 230 / load.watts());
            } else if (part instanceof Part.FittedModule module) {
                element = resistor(
                        deck,
                        element,
                        nodes,
                        part,
                        module.supply().livePin(),
                        module.supply().returnPin(),
                        module.supply().ohms(230));
                for (var channel : module.channels()) {
                    if ((state >> bit++ & 1) == 1) {
                        element = resistor(deck, element, nodes, part, channel.from(), channel.to(), 0.001);
                    }
                }
            }
        }
        for (String node : nodes.values()) {
            deck.append("R").append(element++).append(' ').append(node).append(" 0 1G\n");
        }
        return element;
    }

    private static int resistor(
            StringBuilder deck,
            int element,
            Map<String, String> nodes,
            Part part,
            String from,
            String to,
            double ohms) {
        if (part.pins().containsKey(from) && part.pins().containsKey(to)) {
            deck.append("R")
                    .append(element)
                    .append(' ')
                    .append(nodes.get(part.pins().get(from).value()))
                    .append(' ')
                    .append(nodes.get(part.pins().get(to).value()))
                    .append(' ')
                    .append(ohms)
                    .append('\n');
        }
        return element + 1;
    }
}
