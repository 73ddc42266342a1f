package org.hiddenclerk.core.electrical;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** ngspice, a general-purpose circuit simulator, run once for many circuits. */
final class CircuitSimulator {
    private static final Pattern VALUE = Pattern.compile("^(v\\(n\\d+\\)) = ([-+.\\de]+)(?:,([-+.\\de]+))?$");

    private static final Pattern HARMLESS = Pattern.compile(
            "(Note: (v\\d+: has no value, DC 0 assumed|No compatibility mode selected!)|\\s*Reference value :.*)\\s*");

    private CircuitSimulator() {}

    /** A potential as a phasor, in volts. */
    record Phasor(double re, double im) {
        double minus(Phasor other) {
            return Math.hypot(re - other.re, im - other.im);
        }
    }

    /**
     * Node potentials of each circuit, by node number.
     *
     * @param circuits elements of each circuit; nodes are called n1, n2 and so on, ground is 0
     */
    static List<Map<Integer, Phasor>> potentials(List<List<String>> circuits, double frequencyHz) throws IOException {
        Path folder = Files.createTempDirectory("circuits");
        List<String> driver = new ArrayList<>(List.of("driver", "R0 a 0 1", ".control", "set numdgt=12"));
        for (int i = 0; i < circuits.size(); i++) {
            Path deck = folder.resolve("d" + i + ".cir");
            List<String> lines = new ArrayList<>(List.of("circuit " + i));
            lines.addAll(circuits.get(i));
            lines.add(".end");
            Files.write(deck, lines);
            driver.add("source " + deck);
            driver.add("ac lin 1 " + frequencyHz + " " + frequencyHz);
            driver.add("echo CASE " + i);
            nodesOf(circuits.get(i)).forEach(node -> driver.add("print v(n" + node + ")"));
            driver.add("destroy all");
            driver.add("remcirc");
        }
        driver.addAll(List.of("quit 0", ".endc", ".end"));
        Path file = folder.resolve("driver.cir");
        Files.write(file, driver);
        try {
            return read(run(file), circuits);
        } finally {
            remove(folder);
        }
    }

    private static void remove(Path folder) throws IOException {
        try (java.util.stream.Stream<Path> files = Files.list(folder)) {
            for (Path file : files.toList()) {
                Files.delete(file);
            }
        }
        Files.delete(folder);
    }

    private static String run(Path file) throws IOException {
        Path complaints = file.resolveSibling("complaints.txt");
        Process process = new ProcessBuilder("ngspice", "-b", file.toString())
                .redirectError(complaints.toFile())
                .start();
        process.getOutputStream().close();
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        // A wrong netlist still ends with exit code 0, so every other word on standard error is a failure.
        for (String line : Files.readAllLines(complaints)) {
            if (!line.isBlank() && !HARMLESS.matcher(line).matches()) {
                throw new AssertionError("ngspice says: " + line);
            }
        }
        return output;
    }

    private static List<Map<Integer, Phasor>> read(String output, List<List<String>> circuits) {
        List<Map<Integer, Phasor>> all = new ArrayList<>();
        for (String line : output.split("\n")) {
            Matcher value = VALUE.matcher(line.strip());
            if (line.startsWith("CASE ")) {
                all.add(new TreeMap<>());
            } else if (value.matches()) {
                int node = Integer.parseInt(value.group(1).replaceAll("\\D", ""));
                double im = value.group(3) == null ? 0 : Double.parseDouble(value.group(3));
                all.get(all.size() - 1).put(node, new Phasor(Double.parseDouble(value.group(2)), im));
            }
        }
        for (int i = 0; i < circuits.size(); i++) {
            if (i >= all.size() || !all.get(i).keySet().containsAll(nodesOf(circuits.get(i)))) {
                throw new AssertionError("ngspice left values of circuit " + i + " out:\n" + output);
            }
        }
        return all;
    }

    private static List<Integer> nodesOf(List<String> elements) {
        return elements.stream()
                .filter(e -> e.startsWith("RL"))
                .map(e -> Integer.parseInt(e.split(" ")[0].substring(2)))
                .toList();
    }
}
