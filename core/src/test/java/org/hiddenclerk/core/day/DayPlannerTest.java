package org.hiddenclerk.core.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.hiddenclerk.core.day.DayPlan.Kind;
import org.hiddenclerk.core.day.DayPlan.Opening;
import org.hiddenclerk.core.day.DayPlan.Visit;
import org.hiddenclerk.core.day.DayTask.CircuitFacts;
import org.hiddenclerk.core.day.DayTask.Norms;
import org.hiddenclerk.core.day.DayTask.Person;
import org.hiddenclerk.core.day.DayTask.Work;
import org.junit.jupiter.api.Test;

/** Plans of days against their rules, checked apart from the model, and small ones against what is best by hand. */
class DayPlannerTest {
    private static final int EIGHT = 8 * 60;
    private static final int EVENING = 18 * 60;
    private static final CircuitFacts LAMPS = new CircuitFacts(true, Integer.MAX_VALUE, false);
    private static final CircuitFacts SOCKETS = new CircuitFacts(false, Integer.MAX_VALUE, false);
    private static final Person LEAD = new Person("Lead", true);
    private static final Person HELP = new Person("Help", false);

    private static Work work(String id, int wiring, String... circuits) {
        return new Work(id, "box " + id, Set.of(circuits), wiring, 6);
    }

    private static DayTask day(List<Work> works, Map<String, CircuitFacts> circuits, Person... crew) {
        return new DayTask(works, circuits, List.of(crew), EIGHT, EVENING, EIGHT, 16 * 60, EIGHT, 20, Norms.USUAL);
    }

    /** Every rule of a day, read from the plan alone. */
    private static void check(DayTask task, DayPlan plan) {
        for (Visit one : plan.visits()) {
            assertThat(one.from()).isGreaterThanOrEqualTo(Math.max(task.from(), task.notBefore()));
            assertThat(one.to()).isLessThanOrEqualTo(task.to());
            Person person = task.crew().stream()
                    .filter(p -> p.name().equals(one.person()))
                    .findFirst()
                    .orElseThrow();
            assertThat(person.mayWire() || one.kind() == Kind.SET_UP || one.kind() == Kind.TRY_OUT)
                    .isTrue();
            plan.visits().stream()
                    .filter(other -> other != one && other.person().equals(one.person()))
                    .forEach(other -> assertThat(other.from() >= one.to() || other.to() <= one.from())
                            .as(one + " " + other)
                            .isTrue());
        }
        Set<String> done = new HashSet<>();
        for (Opening opening : plan.openings()) {
            Visit isolate = plan.visits().stream()
                    .filter(v -> v.kind() == Kind.ISOLATE
                            && v.from() == opening.from()
                            && v.circuits().equals(opening.circuits()))
                    .findFirst()
                    .orElseThrow();
            for (String id : opening.works()) {
                assertThat(done.add(id)).as(id + " is done once").isTrue();
                Visit wire = plan.visits().stream()
                        .filter(v -> v.kind() == Kind.WIRE && v.work().equals(id))
                        .findFirst()
                        .orElseThrow();
                assertThat(wire.from()).isGreaterThanOrEqualTo(isolate.to());
                assertThat(wire.to() + task.norms().closing()).isLessThanOrEqualTo(opening.to());
                plan.visits().stream()
                        .filter(v -> v.kind() == Kind.SET_UP && v.work().equals(id))
                        .forEach(v -> assertThat(v.from()).isGreaterThanOrEqualTo(opening.to()));
            }
            for (String circuit : opening.circuits()) {
                CircuitFacts facts = task.circuits().get(circuit);
                assertThat(opening.to() - opening.from()).isLessThanOrEqualTo(facts.mostMinutesOff());
                if (facts.lights()) {
                    assertThat(opening.from()).isGreaterThanOrEqualTo(task.daylightFrom());
                    assertThat(opening.to()).isLessThanOrEqualTo(task.daylightTo());
                }
            }
        }
        for (int minute = task.from(); minute < task.to(); minute++) {
            int now = minute;
            List<String> off = plan.openings().stream()
                    .filter(o -> o.from() <= now && now < o.to())
                    .flatMap(o -> o.circuits().stream())
                    .toList();
            assertThat(off).as("each circuit is in one opening at a time").doesNotHaveDuplicates();
            long lamps = task.circuits().values().stream()
                    .filter(CircuitFacts::lights)
                    .count();
            long dark =
                    off.stream().filter(c -> task.circuits().get(c).lights()).count();
            assertThat(lamps == 0 || dark < lamps || plan.notes().stream().anyMatch(n -> n.contains("bring a lamp")))
                    .as("one lit circuit at " + minute)
                    .isTrue();
        }
        plan.visits().stream().filter(v -> v.kind() == Kind.SET_UP).forEach(v -> plan.openings().stream()
                .filter(o -> o.circuits().stream().anyMatch(v.circuits()::contains))
                .forEach(o -> assertThat(o.from() >= v.to() || o.to() <= v.from())
                        .as("what is set up stays fed: " + v + " " + o)
                        .isTrue()));
        Map<String, Integer> fewest = task.fewestOpenings();
        if (plan.left().isEmpty()) {
            fewest.forEach((circuit, least) -> assertThat(plan.openings().stream()
                            .filter(o -> o.circuits().contains(circuit))
                            .count())
                    .as("openings of " + circuit)
                    .isGreaterThanOrEqualTo(least));
        }
        task.works().forEach(work -> assertThat(
                        done.contains(work.id()) ^ plan.left().contains(work.id()))
                .as(work.id())
                .isTrue());
        plan.visits().stream().filter(v -> v.kind() == Kind.TRY_OUT).forEach(last -> assertThat(plan.visits())
                .allMatch(v -> v == last || v.to() <= last.from()));
    }

    @Property(tries = 25)
    void everyPlanKeepsEveryRule(@ForAll long seed) {
        Random random = new Random(seed);
        Map<String, CircuitFacts> circuits = new TreeMap<>();
        for (int c = 1; c <= 2 + random.nextInt(4); c++) {
            circuits.put(
                    "" + c,
                    new CircuitFacts(
                            random.nextBoolean(),
                            random.nextInt(3) == 0 ? 60 + random.nextInt(120) : Integer.MAX_VALUE,
                            random.nextInt(4) == 0));
        }
        List<Work> works = new ArrayList<>();
        List<String> names = List.copyOf(circuits.keySet());
        for (int w = 0; w < 1 + random.nextInt(7); w++) {
            Set<String> of = new HashSet<>(Set.of(names.get(random.nextInt(names.size()))));
            if (random.nextInt(4) == 0) {
                of.add(names.get(random.nextInt(names.size())));
            }
            works.add(new Work("w" + w, "box " + w, of, 20 + 5 * random.nextInt(8), 3 * random.nextInt(3)));
        }
        List<Person> crew = new ArrayList<>(List.of(LEAD));
        for (int p = 0; p < random.nextInt(3); p++) {
            crew.add(new Person("P" + p, random.nextBoolean()));
        }
        DayTask task = new DayTask(
                works,
                circuits,
                crew,
                EIGHT,
                EIGHT + 180 + random.nextInt(400),
                EIGHT,
                16 * 60,
                EIGHT,
                random.nextInt(2) * 15,
                Norms.USUAL);
        check(task, DayPlanner.plan(task));
    }

    @Test
    void whatHangsOnOneCircuitIsDoneInOneOpening() {
        DayTask task = day(
                List.of(work("a", 30, "1"), work("b", 30, "1"), work("c", 30, "2")),
                Map.of("1", LAMPS, "2", LAMPS),
                LEAD);
        DayPlan plan = DayPlanner.plan(task);
        check(task, plan);
        assertThat(plan.openings()).hasSize(2);
        // By hand: 10 + 30 + 30 and 10 + 30 of wiring, 5 to close the last one, what is set up of it, then the try-out.
        // Setting up of the first goes in while the second is not closed.
        assertThat(plan.optimal()).isTrue();
        assertThat(plan.end() - EIGHT).isLessThanOrEqualTo(10 + 60 + 10 + 30 + 3 * 6 + 5 + 20);
        assertThat(plan.end() - EIGHT).isGreaterThanOrEqualTo(10 + 60 + 10 + 30 + 3 * 6 + 20);
    }

    @Test
    void aFreezerIsNotOffForLongerThanItMayBe() {
        DayTask task = day(
                List.of(work("a", 30, "5"), work("b", 30, "5"), work("c", 30, "5")),
                Map.of("5", new CircuitFacts(false, 80, false), "1", LAMPS),
                LEAD);
        DayPlan plan = DayPlanner.plan(task);
        check(task, plan);
        assertThat(plan.openings())
                .as("80 min take two positions of 30 with 10 and 5 around them")
                .hasSize(2);
        DayTask two = day(
                List.of(work("a", 30, "5"), work("b", 30, "5"), work("c", 30, "5")),
                Map.of("5", new CircuitFacts(false, 80, false), "1", LAMPS),
                LEAD,
                new Person("Second", true));
        assertThat(DayPlanner.plan(two).openings())
                .as("two people do three in one")
                .hasSize(1);
        DayTask never = day(List.of(work("a", 90, "5")), Map.of("5", new CircuitFacts(false, 80, false)), LEAD);
        assertThat(DayPlanner.plan(never).left()).containsExactly("a");
    }

    /** By hand: 35 + 25 and 30 + 30 are 60 each; longest first puts 35 alone, 30 with 30, and 25 goes to the first. */
    @Test
    void circuitsAreOpenedAsFewTimesAsPossible() {
        int sixty = Norms.USUAL.isolation() + 60 + Norms.USUAL.closing();
        DayTask task = day(
                List.of(work("a", 35, "5"), work("b", 30, "5"), work("c", 30, "5"), work("d", 25, "5")),
                Map.of("5", new CircuitFacts(false, sixty, false), "1", LAMPS),
                LEAD);
        assertThat(task.fewestOpenings()).isEqualTo(Map.of("5", 2));
        assertThat(DayPlanner.plan(task).openings()).hasSize(2);
        DayTask seven = day(
                List.of(work("a", 35, "5"), work("b", 35, "5"), work("c", 35, "5"), work("d", 25, "5")),
                Map.of("5", new CircuitFacts(false, sixty, false), "1", LAMPS),
                LEAD);
        assertThat(seven.fewestOpenings()).as("no two of 35 go into 60").isEqualTo(Map.of("5", 3));
        assertThat(DayPlanner.plan(seven).openings()).hasSize(3);
    }

    /** All of it hung on one circuit, and was left out of every day for being longer than one. */
    @Test
    void whatTakesLongerThanADayIsDoneInSeveral() {
        List<Work> works = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            works.add(work("w" + i, 30, "1"));
        }
        DayTask task = day(works, Map.of("1", SOCKETS, "2", LAMPS), LEAD);
        DayPlan plan = DayPlanner.plan(task);
        check(task, plan);
        assertThat(task.fewestOpenings()).isEqualTo(Map.of("1", 2));
        assertThat(plan.openings()).hasSize(1);
        assertThat(plan.left()).hasSizeLessThan(20).isNotEmpty();
    }

    @Test
    void somebodyWhoMayNotWireSetsUp() {
        DayTask task = day(
                List.of(work("a", 30, "1"), work("b", 30, "2")),
                Map.of("1", LAMPS, "2", LAMPS, "3", SOCKETS),
                LEAD,
                HELP);
        DayPlan plan = DayPlanner.plan(task);
        check(task, plan);
        assertThat(plan.visits())
                .filteredOn(v -> v.person().equals("Help"))
                .extracting(Visit::kind)
                .contains(Kind.SET_UP);
        assertThat(plan.visits())
                .filteredOn(v -> v.kind() == Kind.WIRE)
                .extracting(Visit::person)
                .containsOnly("Lead");
    }

    @Test
    void aDayThatIsPlannedAnewBeginsNow() {
        DayTask task = new DayTask(
                List.of(work("a", 30, "1")),
                Map.of("1", LAMPS, "2", LAMPS),
                List.of(LEAD),
                EIGHT,
                EVENING,
                EIGHT,
                16 * 60,
                13 * 60 + 10,
                0,
                Norms.USUAL);
        assertThat(DayPlanner.plan(task).visits().get(0).from()).isEqualTo(13 * 60 + 10);
        DayTask dusk = new DayTask(
                List.of(work("a", 30, "1"), work("b", 30, "3")),
                Map.of("1", LAMPS, "2", LAMPS, "3", SOCKETS),
                List.of(LEAD),
                EIGHT,
                EVENING,
                EIGHT,
                16 * 60,
                15 * 60 + 30,
                0,
                Norms.USUAL);
        DayPlan plan = DayPlanner.plan(dusk);
        check(dusk, plan);
        assertThat(plan.left()).as("a lamp circuit waits for daylight").containsExactly("a");
    }
}
