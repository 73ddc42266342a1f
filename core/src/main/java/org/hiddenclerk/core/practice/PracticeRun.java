package org.hiddenclerk.core.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.conductors.SeenCore;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.matching.module.Candidate;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** A wall with all that the learner did at it. The same wall and deeds come to the same run. */
public final class PracticeRun {
    private final PracticeWall wall;
    private final List<ModuleModel> models;
    private final SurveyedBoard board;
    private final Isolation isolation;
    private final Map<String, Integer> positions = new LinkedHashMap<>();
    private final Map<String, End> freed = new LinkedHashMap<>();
    private final Map<String, ConductorRole> names = new LinkedHashMap<>();
    private final List<LogLine> log = new ArrayList<>();
    private final List<UnsafeDeed> unsafe = new ArrayList<>();
    private final List<Finding> refusal = new ArrayList<>();
    private Phase phase = Phase.FIND_OUT;
    private RunWiring wiring;
    private Optional<WiringPlan> plan = Optional.empty();
    private Planner planner;
    private int tests;
    private int refusedChoices;
    private Optional<FindingCode> reported = Optional.empty();

    /** How far the learner is. */
    public enum Phase {
        FIND_OUT,
        CHOOSE,
        WIRE,
        DONE
    }

    /**
     * What came of a deed.
     *
     * @param alarming whether the learner should have stopped there
     */
    public record LogLine(String words, boolean alarming) {}

    private PracticeRun(PracticeWall wall, List<ModuleModel> models) {
        this.wall = wall;
        this.models = List.copyOf(models);
        board = wall.board();
        isolation = new Isolation(wall.circuits());
        wiring = WallPlaces.found(wall);
        planner = wall.planner(wiring.run().lead().id());
        board.board().boxes().forEach(box -> positions.put(box.id(), 0));
    }

    /**
     * The run so far.
     *
     * @param models modules to choose from
     * @throws NotPossible when a deed cannot be done
     */
    public static PracticeRun of(PracticeWall wall, List<ModuleModel> models, List<PracticeAction> deeds) {
        PracticeRun run = new PracticeRun(wall, models);
        deeds.forEach(run::next);
        return run;
    }

    /** Does it, and tells afterwards what was unsafe about it. */
    private void next(PracticeAction deed) {
        int before = unsafe.size();
        act(deed);
        unsafe.subList(before, unsafe.size()).forEach(slip -> log.add(new LogLine(slip.words(), true)));
    }

    private void act(PracticeAction deed) {
        if (phase == Phase.DONE) {
            throw new NotPossible("This wall is done. Take another, or the same once more.");
        }
        deed.doneIn(this);
    }

    void breaker(String circuit, boolean on) {
        isolation.breaker(circuit, on);
        say("Breaker " + circuit + (on ? " on" : " off"));
    }

    void lock(String circuit) {
        isolation.lock(circuit);
        say("Breaker " + circuit + " locked and tagged");
    }

    void unlock(String circuit) {
        isolation.unlock(circuit);
        say("Lock taken off breaker " + circuit);
    }

    void proveTester() {
        isolation.testerProved(log.size());
        say("Tester proved on a known source");
    }

    void standByNames() {
        require(Phase.FIND_OUT, "Names can be given until you stand by them.");
        unnamed().stream().findFirst().ifPresent(core -> {
            throw new NotPossible("Name every core first: " + WallPlaces.words(wiring, core.id()) + " has no name.");
        });
        phase = Phase.CHOOSE;
        say("Names given");
    }

    void report(FindingCode fault) {
        reported = Optional.of(fault);
        phase = Phase.DONE;
        say("Not fitted. Reported: " + fault.title());
    }

    void finish() {
        require(Phase.WIRE, "Choose a scheme and a module, and wire them first.");
        phase = Phase.DONE;
        say("Done");
    }

    private void requireTesting() {
        require(Phase.FIND_OUT, "Testing was done when the names were given.");
    }

    private void require(Phase wanted, String otherwise) {
        if (phase != wanted) {
            throw new NotPossible(otherwise);
        }
    }

    private void say(String words) {
        log.add(new LogLine(Character.toUpperCase(words.charAt(0)) + words.substring(1), false));
    }

    void flip(String gang) {
        Integer at = positions.get(gang);
        if (at == null) {
            throw new NotPossible("There is no switch " + gang + " at this wall.");
        }
        positions.put(gang, 1 - at);
        say("Switch of " + place(gang).label() + " to " + (1 - at));
    }

    private ConnectedBoxes.Place place(String gang) {
        return WallPlaces.place(wiring, board.entry(gang).box());
    }

    void proveDead(String id) {
        ConnectedBoxes.Place place = WallPlaces.place(wiring, id);
        Instruments now = instruments(wiring);
        List<String> live = wiring.at(place).box().cores().stream()
                .filter(core -> now.isLive(wiring.nodeOf(place, core)))
                .map(Box.CableCore::words)
                .toList();
        isolation.tested(id, live.isEmpty(), log.size());
        log.add(new LogLine(
                live.isEmpty()
                        ? "Every core of " + place.label() + " tested to earth: dead"
                        : place.label() + " is not dead. Live: " + String.join(", ", live),
                !live.isEmpty()));
    }

    private Instruments instruments(RunWiring of) {
        Map<String, Integer> parts = new HashMap<>();
        positions.forEach((gang, at) ->
                parts.put(WallPlaces.switchPart(of.run(), board.entry(gang)).value(), at));
        return new Instruments(of, wall.house(), isolation.circuitsOn(), parts);
    }

    void testToEarth(String core) {
        requireTesting();
        String words = WallPlaces.words(wiring, core);
        boolean live = instruments(wiring).isLive(WallPlaces.node(wiring, core));
        told(words + " to earth: " + (live ? wall.house().region().nominalVolts() : "0 V"));
    }

    void pen(String core) {
        requireTesting();
        told("Pen at " + WallPlaces.words(wiring, core) + ": " + (beeps(core) ? "beeps" : "silent"));
    }

    void testFromLive(String core) {
        requireTesting();
        requireFreed(core);
        boolean lights = instruments(wiring).lightsFromLive(WallPlaces.node(wiring, core));
        told("From a proved live to " + WallPlaces.words(wiring, core) + ": "
                + (lights ? "the tester lights" : "dark"));
    }

    void testContinuity(String first, String second) {
        requireTesting();
        requireFreed(first);
        requireFreed(second);
        if (!isolation.circuitsOn().isEmpty()) {
            throw new NotPossible("A continuity tester is for dead conductors. Switch every breaker off first.");
        }
        boolean joined = instruments(wiring).isJoined(WallPlaces.node(wiring, first), WallPlaces.node(wiring, second));
        told(WallPlaces.words(wiring, first) + " to " + WallPlaces.words(wiring, second) + ": "
                + (joined ? "joined" : "not joined"));
    }

    void look(String name) {
        requireTesting();
        ConnectedBoxes.LoadRef lamp = wiring.run().loads().stream()
                .filter(load -> load.load().name().equals(name))
                .findFirst()
                .orElseThrow(() -> new NotPossible("There is no lamp " + name + " here."));
        LoadState state = instruments(wiring).lamp(RunWiring.loadOf(lamp, 0));
        told(name + (state.isLit() ? " burns" : state == LoadState.DIM ? " glows" : " is dark"));
    }

    void putBack(String core) {
        requireTesting();
        requireFreed(core);
        touch(core);
        wiring = WallPlaces.with(wiring, core, freed.remove(core));
        say(WallPlaces.words(wiring, core) + " put back");
    }

    private void told(String words) {
        tests++;
        say(words);
    }

    /** A pen beeps at what is live, and at what floats beside something live. */
    private boolean beeps(String core) {
        Instruments now = instruments(wiring);
        if (now.isLive(WallPlaces.node(wiring, core))) {
            return true;
        }
        boolean floats = !now.lightsFromLive(WallPlaces.node(wiring, core));
        ConnectedBoxes.Place place = WallPlaces.placeOf(wiring, core);
        Box.CableCore own = WallPlaces.core(wiring, core);
        return floats
                && wiring.at(place).box().cores().stream()
                        .anyMatch(
                                other -> other.cable().equals(own.cable()) && now.isLive(wiring.nodeOf(place, other)));
    }

    private void requireFreed(String core) {
        if (!freed.containsKey(core)) {
            throw new NotPossible("Free " + WallPlaces.words(wiring, core) + " first.");
        }
    }

    void free(String core) {
        requireTesting();
        End end = wiring.at(WallPlaces.placeOf(wiring, core)).endOf(WallPlaces.core(wiring, core));
        if (freed.containsKey(core) || end instanceof End.Loose) {
            throw new NotPossible(WallPlaces.words(wiring, core) + " is free already.");
        }
        touch(core);
        freed.put(core, end);
        wiring = WallPlaces.with(wiring, core, new End.Loose());
        say(WallPlaces.words(wiring, core) + " freed");
    }

    private void touch(String core) {
        boolean live = instruments(wiring).isLive(WallPlaces.node(wiring, core));
        touched(WallPlaces.placeOf(wiring, core).id(), "The " + WallPlaces.words(wiring, core), live);
    }

    private void touched(String place, String what, boolean live) {
        isolation.touching(place, what, live, log.size()).ifPresent(unsafe::add);
    }

    void name(String core, ConductorRole role) {
        require(Phase.FIND_OUT, "You stood by the names.");
        if (wall.truth().get(core) == null) {
            throw new NotPossible("There is no core " + core + " at this wall.");
        }
        names.put(core, role);
        say(WallPlaces.words(wiring, core) + " named " + role.label());
    }

    private List<SeenCore> unnamed() {
        return board.cores().stream()
                .filter(core -> wall.truth().get(core.id()) != ConductorRole.EARTH && !names.containsKey(core.id()))
                .toList();
    }

    void choose(PracticeAction.Choose choice) {
        require(Phase.CHOOSE, phase == Phase.FIND_OUT ? "Name the cores first." : "The module is chosen.");
        ModuleModel model = models.stream()
                .filter(m -> m.code().equals(choice.module()))
                .findFirst()
                .orElseThrow(() -> new NotPossible("There is no module " + choice.module() + " here."));
        int gang = Optional.ofNullable(wall.boxes().get(choice.box()))
                .flatMap(box -> wall.gangFor(choice.box()))
                .orElseThrow(() -> new NotPossible("There is no switch of the lamp in box " + choice.box() + "."));
        Planner from = wall.planner(choice.box());
        Candidate candidate = new ModuleMatch(from, Terms.USUAL)
                .judge(choice.scheme(), List.of(gang), List.of(), model, Optional.empty());
        PlanJudgement judgement = PlanJudgement.of(from, List.of(candidate.assignment()), Map.of(), Terms.USUAL);
        refusal.clear();
        if (!judgement.mayBeIssued()) {
            refusedChoices++;
            judgement.findings().stream()
                    .filter(f -> f.severity() != Severity.NOTE)
                    .forEach(refusal::add);
            log.add(new LogLine(choice.scheme().label() + " with " + model.code() + ": not here", true));
            return;
        }
        planner = from;
        plan = Optional.of(judgement.plan());
        wiring = unwired(judgement.plan());
        freed.clear();
        phase = Phase.WIRE;
        say(choice.scheme().label() + " with " + model.code() + ": can be done");
    }

    /** Module, mechanism and bypass in their places, and every conductor still where it was found. */
    private static RunWiring unwired(WiringPlan plan) {
        RunWiring planned = plan.planned().orElseThrow();
        RunWiring unwired = planned;
        for (ConnectedBoxes.Place place : planned.run().places()) {
            BoxWiring found = plan.found().at(place);
            unwired = unwired.with(place, found.ends(), found.jumpers());
        }
        return unwired;
    }

    private HandWiring hands() {
        require(Phase.WIRE, "Choose a scheme and a module first.");
        return new HandWiring(wiring, wall.house().region());
    }

    void put(PracticeAction.Put put) {
        HandWiring hands = hands();
        ConnectedBoxes.Place place = WallPlaces.place(wiring, put.place());
        String what = hands.words(place, put.wire());
        touchWire(place, put.wire());
        wiring = hands.put(place, put.wire(), put.secondEnd(), put.end());
        say(place.label() + ": " + what + " put on " + wiring.at(place).words(hands.end(place, put.end())));
    }

    void join(PracticeAction.Join join) {
        HandWiring hands = hands();
        ConnectedBoxes.Place place = WallPlaces.place(wiring, join.place());
        touched(place.id(), "The inside of " + place.label(), false);
        wiring = hands.join(place, join.from(), join.to());
        say(place.label() + ": piece of wire from " + wiring.at(place).words(hands.end(place, join.from())) + " to "
                + wiring.at(place).words(hands.end(place, join.to())));
    }

    void takeOut(PracticeAction.TakeOut out) {
        HandWiring hands = hands();
        ConnectedBoxes.Place place = WallPlaces.place(wiring, out.place());
        touchWire(place, out.wire());
        wiring = hands.takeOut(place, out.wire());
        say(place.label() + ": piece of wire taken out");
    }

    private void touchWire(ConnectedBoxes.Place place, String wire) {
        BoxWiring box = wiring.at(place);
        boolean isCore = box.ends().containsKey(wire);
        boolean live = isCore && instruments(wiring).isLive(WallPlaces.node(wiring, place.id() + "/" + wire));
        touched(place.id(), "The " + new HandWiring(wiring, wall.house().region()).words(place, wire), live);
    }

    /** Where an end can be put at a place. */
    public List<End> choices(ConnectedBoxes.Place place) {
        return new HandWiring(wiring, wall.house().region()).choices(place);
    }

    public Phase phase() {
        return phase;
    }

    public PracticeWall wall() {
        return wall;
    }

    /** The wiring as the learner has made it so far. */
    public RunWiring wiring() {
        return wiring;
    }

    /** Boxes and lamps that work is done in; before anything is chosen, the boxes. */
    public List<ConnectedBoxes.Place> places() {
        return plan.map(WiringPlan::placesOfWork).orElseGet(() -> wiring.run().boxes());
    }

    public List<LogLine> log() {
        return Collections.unmodifiableList(log);
    }

    public List<UnsafeDeed> unsafe() {
        return Collections.unmodifiableList(unsafe);
    }

    /** Why the last choice was refused. */
    public List<Finding> refusal() {
        return Collections.unmodifiableList(refusal);
    }

    public boolean isOn(String circuit) {
        return isolation.isOn(circuit);
    }

    public boolean isLocked(String circuit) {
        return isolation.isLocked(circuit);
    }

    public boolean isTesterProved() {
        return isolation.isTesterProved();
    }

    public boolean isProvedDead(String place) {
        return isolation.isProvedDead(place);
    }

    public boolean isFreed(String core) {
        return freed.containsKey(core);
    }

    public int position(String gang) {
        return positions.getOrDefault(gang, 0);
    }

    public Optional<ConductorRole> nameOf(String core) {
        return wall.truth().get(core) == ConductorRole.EARTH
                ? Optional.of(ConductorRole.EARTH)
                : Optional.ofNullable(names.get(core));
    }

    public int tests() {
        return tests;
    }

    /** What the clerk says of it; only asked of a run that is {@link Phase#DONE}. */
    public Marks marks() {
        List<String> wrong = new ArrayList<>();
        int toName = 0;
        for (SeenCore core : board.cores()) {
            ConductorRole truth = wall.truth().get(core.id());
            if (truth != ConductorRole.EARTH) {
                toName++;
                ConductorRole said = names.get(core.id());
                if (said != truth) {
                    wrong.add(WallPlaces.words(WallPlaces.found(wall), core.id()) + " is " + truth.label()
                            + (said == null ? ", it was not named" : ", not " + said.label()));
                }
            }
        }
        int needed = new ClerksWay(wall).tests().size();
        Optional<WiringPlan> proof =
                reported.isPresent() ? Optional.empty() : plan.map(p -> p.rewired(wiring, planner.house()));
        return new Marks(
                tests,
                needed == 0 ? OptionalInt.empty() : OptionalInt.of(needed),
                unsafe,
                toName - wrong.size(),
                toName,
                wrong,
                refusedChoices,
                proof.map(WiringPlan::verdict),
                proof.map(WiringPlan::findings).orElse(List.of()),
                reported,
                wall.fault());
    }
}
