package org.hiddenclerk.core.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.conductors.Reading;
import org.hiddenclerk.core.conductors.ReadingWords;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.conductors.Traced;
import org.hiddenclerk.core.conductors.Tracing;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.module.SchemeChooser;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.Move;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** How the clerk would do it: the tests that tell most, answered by the wall, and the scheme that asks least. */
public final class ClerksWay {
    /** A trace of a wall this small never needs more. */
    private static final int MOST_TESTS = 40;

    private final PracticeWall wall;

    public ClerksWay(PracticeWall wall) {
        this.wall = wall;
    }

    /** A test with its answer, and how many possibilities it left. */
    public record Test(String words, int left) {}

    /**
     * What the clerk would fit.
     *
     * @param moves what hands do, box after box
     */
    public record Fitting(String box, String scheme, String module, int minutes, List<String> moves) {
        public Fitting {
            moves = List.copyOf(moves);
        }
    }

    /** The tests, each the one that leaves fewest possibilities; none where no sound circuit fits what is seen. */
    public List<Test> tests() {
        SurveyedBoard board = wall.board();
        ReadingWords words = new ReadingWords(board, wall.boxes());
        List<Reading.Answered> readings = new ArrayList<>();
        List<Test> tests = new ArrayList<>();
        Traced traced = Tracing.of(board, wall.house().region(), readings);
        while (traced.nextTest().isPresent() && tests.size() < MOST_TESTS) {
            Reading reading = traced.nextTest().get().reading();
            boolean answer = answer(board, reading);
            readings.add(new Reading.Answered(reading, answer));
            traced = Tracing.of(board, wall.house().region(), readings);
            tests.add(new Test(words.done(reading, answer), traced.possible().size()));
        }
        return tests;
    }

    /** Why no test is among {@link #tests}, in words; empty where there is one. */
    public Optional<String> withoutTests() {
        Traced seen = Tracing.of(wall.board(), wall.house().region(), List.of());
        if (seen.nextTest().isPresent()) {
            return Optional.empty();
        }
        return Optional.of(wall.fault()
                .map(fault -> fault.title() + ": no sound circuit looks like this. It is reported, not built on.")
                .orElse("What is seen leaves one answer only; no test is needed to tell the cores apart."));
    }

    /** What a reading truly shows, made as it should be. */
    boolean answer(SurveyedBoard board, Reading reading) {
        if (reading instanceof Reading.Continuous pair) {
            RunWiring freed = free(free(found(), pair.first()), pair.second());
            return new Instruments(freed, wall.house(), Set.of(), Map.of())
                    .isJoined(WallPlaces.node(freed, pair.first()), WallPlaces.node(freed, pair.second()));
        }
        if (reading instanceof Reading.Live live) {
            RunWiring found = found();
            return instruments(found, board, live.with()).isLive(WallPlaces.node(found, live.core()));
        }
        if (reading instanceof Reading.Returns returns) {
            RunWiring freed = free(found(), returns.core());
            return instruments(freed, board, returns.with()).lightsFromLive(WallPlaces.node(freed, returns.core()));
        }
        Reading.Lamp lamp = (Reading.Lamp) reading;
        RunWiring found = found();
        SurveyedBoard.Entry entry = board.entry(lamp.box());
        SurveyedLoad switched =
                wall.planner(entry.box()).loadsOfGang(entry.gang()).get(0);
        ConnectedBoxes.LoadRef load = found.run().loads().stream()
                .filter(ref -> ref.load().name().equals(switched.name()))
                .findFirst()
                .orElseThrow();
        PartId part = RunWiring.loadOf(load, 0);
        return instruments(found, board, lamp.with()).lamp(part) == LoadState.ON;
    }

    private RunWiring found() {
        return WallPlaces.found(wall);
    }

    private Instruments instruments(RunWiring wiring, SurveyedBoard board, Map<String, Integer> with) {
        Map<String, Integer> positions = new HashMap<>();
        with.forEach((gang, at) -> positions.put(
                WallPlaces.switchPart(wiring.run(), board.entry(gang)).value(), at));
        Set<String> on = wall.circuits().stream().map(Circuit::label).collect(Collectors.toSet());
        return new Instruments(wiring, wall.house(), on, positions);
    }

    private static RunWiring free(RunWiring wiring, String core) {
        return WallPlaces.with(wiring, core, new End.Loose());
    }

    /** The scheme and module that are proved and open fewest boxes, then take least time; empty when nothing may be fitted. */
    public Optional<Fitting> fitting(List<ModuleModel> models) {
        List<Choice> choices = new ArrayList<>();
        wall.boxes().forEach((id, box) -> wall.gangFor(id).ifPresent(gang -> new SchemeChooser(wall.planner(id), models)
                .offers(List.of(gang), List.of()).stream()
                        .filter(ClerksWay::leavesNothingToWish)
                        .forEach(offer -> choices.add(new Choice(box.label(), offer)))));
        return choices.stream()
                .min(Comparator.comparingInt((Choice c) -> c.toll().boxes().size())
                        .thenComparing(c -> c.toll().minutes())
                        .thenComparing(c -> c.offer().scheme()))
                .map(c -> fitting(c.box(), c.offer()));
    }

    /** What can be fitted from a box. */
    private record Choice(String box, SchemeChooser.Offer offer) {
        SchemeChooser.Toll toll() {
            return offer.toll().orElseThrow();
        }
    }

    private static boolean leavesNothingToWish(SchemeChooser.Offer offer) {
        return offer.best().filter(c -> c.verdict() == Verdict.OK).isPresent()
                && offer.toll()
                        .filter(toll -> toll.switchesWork() && toll.alwaysReachable())
                        .isPresent();
    }

    private static Fitting fitting(String box, SchemeChooser.Offer offer) {
        WiringPlan plan = offer.best().orElseThrow().plan();
        RunWiring planned = plan.planned().orElseThrow();
        List<String> moves = new ArrayList<>();
        for (ConnectedBoxes.Place place : plan.placesOfWork()) {
            Move.between(plan.found().at(place), planned.at(place))
                    .forEach(move -> moves.add(place.label() + ": " + move.words()));
        }
        return new Fitting(
                box,
                offer.scheme().label(),
                offer.best().get().assignment().model().code(),
                offer.toll().orElseThrow().minutes(),
                moves);
    }
}
