package org.hiddenclerk.core.matching.module;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;

/**
 * The one reason that matters where no module passes: what, mended, would let most modules in.
 *
 * @param code    of the reason
 * @param modules codes of the modules that it keeps out by itself, or with fewest others beside it
 * @param others  whether more than this one stands against the modules that come nearest
 */
public record InTheWay(FindingCode code, Set<String> modules, boolean others) {
    /** That a scheme is for something else is no reason against a module, and nothing that anybody could mend. */
    private static final Set<FindingCode> OF_THE_SCHEME =
            Set.of(FindingCode.SCHEME_NOT_FOR_THIS, FindingCode.TOO_FEW_CHANNELS);

    public InTheWay {
        modules = Set.copyOf(modules);
    }

    /** What stands against a module in one way to wire it. @param drawn whether it can be wired so at all */
    public record Way(String module, boolean drawn, Set<FindingCode> codes) {}

    /** Empty where nothing is known of any module, or one passes. */
    public static Optional<InTheWay> of(Collection<Way> ways) {
        List<Way> held = ways.stream()
                .map(way -> new Way(way.module(), way.drawn(), held(way.codes())))
                .toList();
        // What can be wired is nearer than what can't, and that is nearer than what is for something else.
        List<List<Way>> nearest = List.of(
                held.stream().filter(Way::drawn).toList(),
                held.stream()
                        .filter(way -> way.codes().stream().noneMatch(OF_THE_SCHEME::contains))
                        .toList(),
                held);
        List<Way> counted =
                nearest.stream().filter(some -> !some.isEmpty()).findFirst().orElse(List.of());
        if (counted.isEmpty() || counted.stream().anyMatch(way -> way.codes().isEmpty())) {
            return Optional.empty();
        }
        int fewest = counted.stream().mapToInt(way -> way.codes().size()).min().orElseThrow();
        Map<FindingCode, Set<String>> keptOut = new LinkedHashMap<>();
        counted.stream().filter(way -> way.codes().size() == fewest).forEach(way -> way.codes()
                .forEach(code ->
                        keptOut.computeIfAbsent(code, c -> new HashSet<>()).add(way.module())));
        return keptOut.entrySet().stream()
                .max(Comparator.comparingInt((Map.Entry<FindingCode, Set<String>> e) ->
                                e.getValue().size())
                        .thenComparing(e -> e.getKey(), Comparator.reverseOrder()))
                .map(e -> new InTheWay(e.getKey(), e.getValue(), fewest > 1));
    }

    private static Set<FindingCode> held(Set<FindingCode> codes) {
        Set<FindingCode> held = new TreeSet<>();
        codes.stream().filter(code -> code.severity() != Severity.NOTE).forEach(held::add);
        return held;
    }

    /** As it stands beside a position without a module. */
    public String words() {
        String models = modules.size() == 1 ? "one module" : modules.size() + " modules";
        return code.title() + ": "
                + (others
                        ? "that, among others, keeps out the " + models + " that come nearest"
                        : "that alone keeps out " + models)
                + ".";
    }
}
