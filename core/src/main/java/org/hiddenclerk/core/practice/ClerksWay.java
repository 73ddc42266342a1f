package org.hiddenclerk.core.practice;

import java.util.ArrayList;
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
import org.hiddenclerk.core.electrical.LoadState;
import org.hiddenclerk.core.electrical.PartId;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.matching.SchemeChooser;
import org.hiddenclerk.core.wiring.Move;
import org.hiddenclerk.core.wiring.Run;
import org.hiddenclerk.core.wiring.RunWiring;
import org.hiddenclerk.core.wiring.WiringPlan;

/** How the clerk would do it: the tests that tell most, answered by the wall, and the scheme that asks least. */
public final class ClerksWay {
    /** A trace of a wall this small never needs more. */
    private static final int MOST_TESTS = 40;

    private final PracticeWall wall;

    public ClerksWay(PracticeWall wall) {
        this.wall = wall;
    }

    /** A test with its answer, and how many possibilities it left. */
    public record Test(String words, int left) {
    }

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

    /** What a reading truly shows, made as it should be. */
    boolean answer(SurveyedBoard board, Reading reading) {
        if (reading instanceof Reading.Continuous pair) {
            RunWiring freed = free(free(found(), pair.first()), pair.second());
            return new Instruments(freed, wall.house(), Set.of(), Map.of()).isJoined(WallPlaces.node(freed, pair.first()),
                    WallPlaces.node(freed, pair.second()));
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
        Run.LoadRef load = found.run().loads().stream().filter(ref -> wall.boxes().size() > 1
                || found.run().gangNamedFor(ref).filter(g -> g.number() == entry.gang()).isPresent()).findFirst().orElseThrow();
        PartId part = RunWiring.loadOf(load, 0);
        return instruments(found, board, lamp.with()).lamp(part) == LoadState.ON;
    }

    private RunWiring found() {
        return WallPlaces.found(wall);
    }

    private Instruments instruments(RunWiring wiring, SurveyedBoard board, Map<String, Integer> with) {
        Map<String, Integer> positions = new HashMap<>();
        with.forEach((gang, at) -> positions.put(WallPlaces.switchPart(wiring.run(), board.entry(gang)).value(), at));
        Set<String> on = wall.circuits().stream().map(Circuit::label).collect(Collectors.toSet());
        return new Instruments(wiring, wall.house(), on, positions);
    }

    private static RunWiring free(RunWiring wiring, String core) {
        return WallPlaces.with(wiring, core, new End.Loose());
    }

    /** The scheme and module that are proved and open fewest boxes; empty when nothing may be fitted. */
    public Optional<Fitting> fitting(List<ModuleModel> models) {
        Optional<Fitting> best = Optional.empty();
        int fewest = Integer.MAX_VALUE;
        for (Map.Entry<String, Box> entry : wall.boxes().entrySet()) {
            Optional<Integer> gang = wall.gangFor(entry.getKey());
            if (gang.isPresent()) {
                Optional<SchemeChooser.Offer> offer = new SchemeChooser(wall.planner(entry.getKey()), models)
                        .offers(List.of(gang.get()), List.of()).stream()
                        .filter(o -> o.best().filter(c -> c.verdict() == Verdict.OK).isPresent() && o.toll().orElseThrow().switchesWork()
                                && o.toll().orElseThrow().alwaysReachable())
                        .min(java.util.Comparator.comparingInt((SchemeChooser.Offer o) -> o.toll().orElseThrow().boxes().size())
                                .thenComparing(o -> o.toll().orElseThrow().minutes()).thenComparing(SchemeChooser.Offer::scheme));
                if (offer.isPresent() && cost(offer.get()) < fewest) {
                    fewest = cost(offer.get());
                    best = Optional.of(fitting(entry.getValue().label(), offer.get()));
                }
            }
        }
        return best;
    }

    private static int cost(SchemeChooser.Offer offer) {
        return offer.toll().orElseThrow().minutes();
    }

    private static Fitting fitting(String box, SchemeChooser.Offer offer) {
        WiringPlan plan = offer.best().orElseThrow().plan();
        RunWiring planned = plan.planned().orElseThrow();
        List<String> moves = new ArrayList<>();
        for (Run.Place place : plan.placesOfWork()) {
            Move.between(plan.found().at(place), planned.at(place)).forEach(move -> moves.add(place.label() + ": " + move.words()));
        }
        return new Fitting(box, offer.scheme().label(), offer.best().get().assignment().model().code(), offer.toll().orElseThrow().minutes(),
                moves);
    }
}
