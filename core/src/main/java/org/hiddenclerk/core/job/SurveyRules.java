package org.hiddenclerk.core.job;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.Terminal;

/**
 * What a surveyed box must keep to be worked with: identities and references. Whether it is sound as a wiring is not
 * asked here. Problems come in document order; an empty list means there are none.
 */
public final class SurveyRules {
    /** Terminals of a load. */
    static final List<String> LOAD_TERMINALS = List.of("L", "N", "PE");

    private final Box box;
    private final Set<CircuitId> circuits;
    private final List<SurveyProblem> problems = new ArrayList<>();

    private SurveyRules(Box box, Set<CircuitId> circuits) {
        this.box = box;
        this.circuits = circuits;
    }

    /** @param circuits circuits of the job */
    public static List<SurveyProblem> problemsOf(Box box, Set<CircuitId> circuits) {
        SurveyRules rules = new SurveyRules(box, circuits);
        rules.checkGangs();
        rules.checkLoads();
        rules.checkModules();
        rules.checkCables();
        rules.checkJumpers();
        return rules.problems;
    }

    private void checkGangs() {
        for (int i = 0; i < box.gangs().size(); i++) {
            Gang gang = box.gangs().get(i);
            if (gang.number() != i + 1) {
                report(
                        "/gangs/" + i + "/number",
                        gang.number() + "",
                        (i + 1) + ": gangs are numbered from left to right");
            }
            checkCircuit("/gangs/" + i + "/circuit", gang.circuit());
        }
    }

    private void checkLoads() {
        Set<Integer> seen = new HashSet<>();
        for (int i = 0; i < box.loads().size(); i++) {
            SurveyedLoad load = box.loads().get(i);
            if (!seen.add(load.number())) {
                report("/loads/" + i + "/number", "a second load " + load.number(), "a number of its own");
            }
            if (!load.hangsHere()
                    && (load.gang() < 1 || load.gang() > box.gangs().size())) {
                report(
                        "/loads/" + i + "/gang",
                        "gang " + load.gang(),
                        "one of the " + box.gangs().size() + " gangs");
            }
        }
    }

    private void checkCables() {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < box.cables().size(); i++) {
            Cable cable = box.cables().get(i);
            String at = "/cables/" + i;
            if (!seen.add(cable.name())) {
                report(at + "/name", "a second cable " + cable.name(), "a name of its own");
            }
            if (cable.leads() instanceof Leads.FromSupply feed) {
                checkCircuit(at + "/circuit", feed.circuit());
            } else if (cable.leads() instanceof Leads.ToPlaceOfLoads lamp) {
                if (lamp instanceof Leads.ToLoadWithFeed loop) {
                    checkCircuit(at + "/circuit", loop.circuit());
                }
                checkLoad(at + "/load", lamp.load());
                checkBranches(at, cable, lamp);
            }
            Set<Integer> numbers = new HashSet<>();
            for (int c = 0; c < cable.cores().size(); c++) {
                if (!numbers.add(cable.cores().get(c).number())) {
                    report(
                            at + "/cores/" + c + "/number",
                            "a second core " + cable.cores().get(c).number(),
                            "a number of its own");
                }
                checkEnd(at + "/cores/" + c + "/end", cable.cores().get(c).end());
            }
        }
    }

    private void checkBranches(String at, Cable cable, Leads.ToPlaceOfLoads lamp) {
        for (int c = 0; c < cable.cores().size(); c++) {
            Core core = cable.cores().get(c);
            int load = lamp.loadOf(core.number());
            if (load != lamp.load()) {
                if (box.loads().stream().noneMatch(l -> l.number() == load && !l.hangsHere())) {
                    report(at + "/cores/" + c + "/load", "load " + load, "a load of this box that hangs elsewhere");
                } else if (core.role() != Role.SWITCHED_LIVE) {
                    report(
                            at + "/cores/" + c + "/load",
                            core.role().label() + " of load " + load + " alone",
                            "a switched live; other cores serve every load of the cable");
                }
            }
        }
    }

    private void checkJumpers() {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < box.jumpers().size(); i++) {
            Jumper jumper = box.jumpers().get(i);
            if (!seen.add(jumper.key())) {
                report("/jumpers/" + i + "/key", "a second jumper " + jumper.key(), "a name of its own");
            }
            checkEnd("/jumpers/" + i + "/from", jumper.from());
            checkEnd("/jumpers/" + i + "/to", jumper.to());
            if (jumper.from().equals(jumper.to())) {
                report(
                        "/jumpers/" + i + "/to",
                        jumper.to().words(),
                        "another place than " + jumper.from().words());
            }
        }
    }

    private void checkEnd(String at, End end) {
        if (end instanceof End.AtMechanism pole) {
            if (pole.gang() < 1 || pole.gang() > box.gangs().size()) {
                report(at, "gang " + pole.gang(), "one of the " + box.gangs().size() + " gangs");
            } else {
                List<String> terminals =
                        box.gangs().get(pole.gang() - 1).mechanism().terminals();
                if (!terminals.contains(pole.terminal())) {
                    report(at, "terminal " + pole.terminal(), "one of " + String.join(" ", terminals));
                }
            }
        } else if (end instanceof End.AtLoad terminal) {
            checkLoad(at, terminal.load());
            boolean here = box.loads().stream().anyMatch(l -> l.number() == terminal.load() && l.hangsHere());
            if (!here || !LOAD_TERMINALS.contains(terminal.terminal())) {
                report(at, terminal.words(), "L, N or PE of a load that hangs in this box");
            }
        } else if (end instanceof End.AtModule pole) {
            checkModuleTerminal(at, pole);
        }
    }

    private void checkModules() {
        for (int i = 0; i < box.modules().size(); i++) {
            if (box.modules().get(i).number() != i + 1) {
                report(
                        "/modules/" + i + "/number",
                        box.modules().get(i).number() + "",
                        (i + 1) + ": modules are numbered in the order in which they are listed");
            }
        }
    }

    private void checkModuleTerminal(String at, End.AtModule pole) {
        if (pole.module() < 1 || pole.module() > box.modules().size()) {
            report(
                    at,
                    "module " + pole.module(),
                    "one of the " + box.modules().size() + " modules that are in the box");
            return;
        }
    }

    /**
     * Ends on modules of which the stock book has no such terminal. Whoever surveys is told; a survey that is kept stays readable when the
     * stock book is changed, or is another one, and its plans hold.
     */
    public static List<SurveyProblem> unknownTerminalsOf(Box box) {
        SurveyRules rules = new SurveyRules(box, Set.of());
        for (int i = 0; i < box.cables().size(); i++) {
            List<Core> cores = box.cables().get(i).cores();
            for (int c = 0; c < cores.size(); c++) {
                rules.checkKnown(
                        "/cables/" + i + "/cores/" + c + "/end", cores.get(c).end());
            }
        }
        for (int i = 0; i < box.jumpers().size(); i++) {
            rules.checkKnown("/jumpers/" + i + "/from", box.jumpers().get(i).from());
            rules.checkKnown("/jumpers/" + i + "/to", box.jumpers().get(i).to());
        }
        return rules.problems;
    }

    private void checkKnown(String at, End end) {
        if (!(end instanceof End.AtModule pole)
                || pole.module() < 1
                || pole.module() > box.modules().size()) {
            return;
        }
        SurveyedModule module = box.modules().get(pole.module() - 1);
        if (module.model().isEmpty()) {
            report(
                    at,
                    "a terminal of " + module.name(),
                    "a module of the stock book: enter it there, by what stands on it");
        } else if (!module.hasTerminal(pole.terminal())) {
            report(
                    at,
                    "terminal " + pole.terminal(),
                    "one of "
                            + module.model().get().terminals().stream()
                                    .map(Terminal::name)
                                    .collect(Collectors.joining(" ")));
        }
    }

    private void checkCircuit(String at, CircuitId circuit) {
        if (!circuits.contains(circuit)) {
            report(at, circuit.value(), "a circuit of this job");
        }
    }

    private void checkLoad(String at, int load) {
        if (box.loads().stream().noneMatch(l -> l.number() == load)) {
            report(at, "load " + load, "a load of this box");
        }
    }

    private void report(String pointer, String found, String expected) {
        problems.add(new SurveyProblem(pointer, found, expected));
    }
}
