package org.hiddenclerk.core.day;

import com.google.ortools.Loader;
import com.google.ortools.sat.BoolVar;
import com.google.ortools.sat.CpModel;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.IntVar;
import com.google.ortools.sat.IntervalVar;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.LinearExprBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.day.DayPlan.Kind;
import org.hiddenclerk.core.day.DayPlan.Opening;
import org.hiddenclerk.core.day.DayPlan.Visit;
import org.hiddenclerk.core.day.DayTask.Person;
import org.hiddenclerk.core.day.DayTask.Work;

/**
 * Plans a day with a library's constraint scheduler: as much work as fits, done as early as possible, circuits off as short as
 * possible. Hard rules: everybody does one thing at a time; wiring is done by those who may; a circuit is off from isolating to
 * closing; lamps are worked on by daylight; one circuit with lamps stays on; limits of being off hold; setting up comes when the
 * circuit is on again and stays so; what is tried with the household comes last.
 */
public final class DayPlanner {
    /** Work that the solver may do, in its own measure, which does not depend on the machine. */
    private static final double EFFORT = 4;

    private static final long PLACED = 100_000;
    private static final long LATE = 100;

    static {
        Loader.loadNativeLibraries();
    }

    private final DayTask task;
    private final CpModel model = new CpModel();
    private final Map<Person, List<IntervalVar>> days = new LinkedHashMap<>();
    private final List<PlannedStep> deeds = new ArrayList<>();
    private final List<Open> opens = new ArrayList<>();
    private final List<IntervalVar> setUps = new ArrayList<>();
    /** Circuits that feed what is set up, in the order of the intervals. */
    private final List<Set<String>> fedBy = new ArrayList<>();

    private final List<String> notes = new ArrayList<>();
    private final List<String> left = new ArrayList<>();
    private final IntVar end;

    private DayPlanner(DayTask task) {
        this.task = task;
        task.crew().forEach(person -> days.put(person, new ArrayList<>()));
        end = time("end");
    }

    /** Something that somebody does, in the model. */
    private record PlannedStep(
            Kind kind,
            String work,
            Set<String> circuits,
            IntVar from,
            IntVar to,
            BoolVar placed,
            Map<Person, BoolVar> by) {}

    /** Circuits that are off, in the model. */
    private record Open(Openings.Group group, IntVar from, IntVar to, IntVar minutes, BoolVar placed) {}

    public static DayPlan plan(DayTask task) {
        return new DayPlanner(task).solved();
    }

    private IntVar time(String name) {
        return model.newIntVar(Math.max(task.from(), task.notBefore()), Math.max(task.to(), task.notBefore()), name);
    }

    private DayPlan solved() {
        Openings.of(task, task.works(), notes, left).forEach(this::open);
        keepOneLit();
        circuitsAreOpenedOneByOne();
        tryOut();
        days.values().forEach(model::addNoOverlap);
        LinearExprBuilder cost = LinearExpr.newBuilder();
        opens.forEach(open -> {
            cost.addTerm(
                    open.placed,
                    -PLACED
                            * open.group.works().stream()
                                    .mapToInt(work -> work.wiring() + work.setUp())
                                    .sum());
            cost.addTerm(open.minutes, 1);
        });
        deeds.forEach(deed -> model.addGreaterOrEqual(end, deed.to));
        cost.addTerm(end, LATE);
        model.minimize(cost);
        CpSolver solver = new CpSolver();
        solver.getParameters().setMaxDeterministicTime(EFFORT).setNumWorkers(1).setRandomSeed(1);
        CpSolverStatus status = solver.solve(model);
        if (status != CpSolverStatus.OPTIMAL && status != CpSolverStatus.FEASIBLE) {
            task.works().forEach(work -> left.add(work.id()));
            notes.add("Nothing fits into this day.");
            return new DayPlan(
                    List.of(),
                    List.of(),
                    left.stream().distinct().toList(),
                    notes,
                    status == CpSolverStatus.INFEASIBLE);
        }
        return read(solver, status == CpSolverStatus.OPTIMAL);
    }

    private void open(Openings.Group group) {
        BoolVar placed = model.newBoolVar("placed");
        IntVar from = time("off");
        IntVar to = time("on");
        IntVar minutes = model.newIntVar(0, Math.min(group.most(), task.to() - task.from()), "minutes off");
        model.addEquality(LinearExpr.newBuilder().add(from).add(minutes), to);
        Open open = new Open(group, from, to, minutes, placed);
        opens.add(open);
        PlannedStep isolate = deed(Kind.ISOLATE, "", group.circuits(), group.isolation(), placed, true);
        model.addEquality(isolate.from, from).onlyEnforceIf(placed);
        for (Work work : group.works()) {
            PlannedStep wire = deed(Kind.WIRE, work.id(), work.circuits(), work.wiring(), placed, true);
            model.addGreaterOrEqual(wire.from, isolate.to).onlyEnforceIf(placed);
            model.addGreaterOrEqual(
                            to,
                            LinearExpr.newBuilder()
                                    .add(wire.to)
                                    .add(task.norms().closing()))
                    .onlyEnforceIf(placed);
            if (work.setUp() > 0) {
                PlannedStep setUp = deed(Kind.SET_UP, work.id(), work.circuits(), work.setUp(), placed, false);
                model.addGreaterOrEqual(setUp.from, to).onlyEnforceIf(placed);
                setUps.add(model.newOptionalIntervalVar(
                        setUp.from, LinearExpr.constant(work.setUp()), setUp.to, placed, "set up"));
                fedBy.add(work.circuits());
            }
        }
        model.addEquality(minutes, 0).onlyEnforceIf(placed.not());
        if (lights(group.circuits()) > 0) {
            model.addGreaterOrEqual(from, task.daylightFrom()).onlyEnforceIf(placed);
            model.addLessOrEqual(to, task.daylightTo()).onlyEnforceIf(placed);
        }
    }

    private PlannedStep deed(
            Kind kind, String work, Set<String> circuits, int minutes, BoolVar placed, boolean wiring) {
        IntVar from = time(kind + " from");
        IntVar to = time(kind + " to");
        Map<Person, BoolVar> by = new LinkedHashMap<>();
        for (Person person : task.crew()) {
            if (person.mayWire() || !wiring) {
                BoolVar does = model.newBoolVar(person.name());
                by.put(person, does);
                days.get(person)
                        .add(model.newOptionalIntervalVar(from, LinearExpr.constant(minutes), to, does, kind.name()));
            }
        }
        model.addEquality(LinearExpr.sum(by.values().toArray(BoolVar[]::new)), placed);
        PlannedStep deed = new PlannedStep(kind, work, circuits, from, to, placed, by);
        deeds.add(deed);
        return deed;
    }

    private int lights(Set<String> circuits) {
        return (int)
                circuits.stream().filter(c -> task.circuits().get(c).lights()).count();
    }

    private void keepOneLit() {
        int all = (int) task.circuits().values().stream()
                .filter(DayTask.CircuitFacts::lights)
                .count();
        var together = model.addCumulative(Math.max(0, all - 1));
        boolean any = false;
        for (Open open : opens) {
            int lamps = lights(open.group.circuits());
            if (lamps > 0 && lamps >= all) {
                notes.add("Circuits " + String.join(", ", open.group.circuits())
                        + " are all that light the house: bring a lamp on a lead from a circuit that stays on.");
            } else if (lamps > 0) {
                any = true;
                together.addDemand(
                        model.newOptionalIntervalVar(open.from, open.minutes, open.to, open.placed, "dark"), lamps);
            }
        }
        if (!any) {
            together.addDemand(model.newFixedInterval(0, 0, "nothing"), 0);
        }
    }

    /** Openings that share a circuit do not overlap: it is closed in between, or they would be one. */
    private void circuitsAreOpenedOneByOne() {
        Map<String, List<IntervalVar>> byCircuit = new LinkedHashMap<>();
        opens.forEach(open -> open.group.circuits().forEach(circuit -> byCircuit
                .computeIfAbsent(circuit, c -> new ArrayList<>())
                .add(model.newOptionalIntervalVar(open.from, open.minutes, open.to, open.placed, circuit))));
        byCircuit.values().forEach(model::addNoOverlap);
        for (int i = 0; i < setUps.size(); i++) {
            Set<String> feeding = fedBy.get(i);
            IntervalVar setUp = setUps.get(i);
            // What is being set up stays fed.
            opens.stream()
                    .filter(open -> open.group.circuits().stream().anyMatch(feeding::contains))
                    .forEach(open -> model.addNoOverlap(List.of(
                            setUp,
                            model.newOptionalIntervalVar(open.from, open.minutes, open.to, open.placed, "off"))));
        }
    }

    private void tryOut() {
        if (task.tryOutMinutes() > 0 && !opens.isEmpty()) {
            BoolVar placed = model.newBoolVar("try out");
            model.addMaxEquality(placed, opens.stream().map(Open::placed).toArray(BoolVar[]::new));
            List<PlannedStep> before = List.copyOf(deeds);
            PlannedStep last = deed(Kind.TRY_OUT, "", Set.of(), task.tryOutMinutes(), placed, false);
            before.forEach(deed -> model.addGreaterOrEqual(last.from, deed.to).onlyEnforceIf(deed.placed));
            opens.forEach(open -> model.addGreaterOrEqual(last.from, open.to).onlyEnforceIf(open.placed));
        }
    }

    private DayPlan read(CpSolver solver, boolean optimal) {
        List<Visit> visits = new ArrayList<>();
        for (PlannedStep deed : deeds) {
            deed.by.forEach((person, does) -> {
                if (solver.booleanValue(does)) {
                    visits.add(new Visit(
                            deed.kind,
                            deed.work,
                            new TreeSet<>(deed.circuits),
                            person.name(),
                            (int) solver.value(deed.from),
                            (int) solver.value(deed.to)));
                }
            });
        }
        visits.sort(Comparator.comparingInt(Visit::from).thenComparing(Visit::person));
        List<Opening> openings = new ArrayList<>();
        for (Open open : opens) {
            if (solver.booleanValue(open.placed)) {
                openings.add(new Opening(
                        new TreeSet<>(open.group.circuits()),
                        (int) solver.value(open.from),
                        (int) solver.value(open.to),
                        open.group.works().stream().map(Work::id).toList()));
            } else {
                open.group.works().forEach(work -> left.add(work.id()));
            }
        }
        openings.sort(Comparator.comparingInt(Opening::from));
        return new DayPlan(visits, openings, left.stream().distinct().toList(), notes, optimal);
    }
}
