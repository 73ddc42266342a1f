package org.hiddenclerk.core.conductors;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.StringJoiner;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.testing.WordForWord;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * A run traced from nothing to the end, word for word: what may be, what is certain, what is read next and how. Every reading gets the
 * answer that leaves more, so that the way is as long as it can be; then the first answer is turned round, as by a slip of the hand.
 */
class WholeTracesTest {
    private static final int MOST_LISTED = 6;
    private static final int HIDDEN = 24;

    static Stream<Map.Entry<String, ConnectedBoxes>> runs() {
        return Topologies.all(RegionProfile.EU_230).entrySet().stream();
    }

    static Stream<Integer> seeds() {
        return IntStream.rangeClosed(1, HIDDEN).boxed();
    }

    @ParameterizedTest
    @MethodSource("runs")
    void surveyedRunsAreReadAsBefore(Map.Entry<String, ConnectedBoxes> run) {
        Map<String, Box> boxes = new LinkedHashMap<>();
        run.getValue().boxes().forEach(place -> boxes.put(place.id(), place.box()));
        SurveyedBoard surveyed = SurveyedBoard.of(boxes);
        ReadingWords words = new ReadingWords(surveyed, boxes);
        StringJoiner text = new StringJoiner("\n", "", "\n");
        surveyed.board().boxes().forEach(box -> text.add(seen(box)));
        surveyed.boards().between().stream()
                .map(wire -> "shared: " + wire)
                .sorted()
                .forEach(text::add);
        surveyed.obstacles().forEach(text::add);
        if (surveyed.obstacles().isEmpty()) {
            List<Reading.Answered> readings = read(
                    made -> Tracing.of(surveyed, RegionProfile.EU_230, made),
                    (reading, value) -> words.toDo(reading) + "\n   " + words.done(reading, value),
                    text);
            turnedRound(readings).ifPresent(wrong -> {
                Traced traced = Tracing.of(surveyed, RegionProfile.EU_230, wrong);
                text.add("the first answer turned round: " + result(traced));
                traced.nearest().ifPresent(nearest -> text.add(words.nearest(nearest, wrong)));
            });
        }
        WordForWord.isAsRead("conductors/runs", run.getKey(), text.toString());
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void openedBoxesAreReadAsBefore(int seed) {
        Random random = new Random(seed);
        HiddenCircuit first = HiddenCircuit.any(random, 1);
        Board board = first.board();
        if (seed % 4 == 0) {
            // A switch that is off tells less: its cores hang as found.
            board = new Board(board.boxes().stream()
                    .map(box -> box.id().equals("B") ? new OpenedBox("B", Optional.empty(), true, box.cores()) : box)
                    .toList());
        }
        Board seen = board;
        StringJoiner text = new StringJoiner("\n", "", "\n");
        seen.boxes().forEach(box -> text.add(seen(box)));
        List<Reading.Answered> readings = read(
                made -> Tracing.of(seen, RegionProfile.UK_230, made),
                (reading, value) -> reading + " = " + value,
                text);
        turnedRound(readings)
                .ifPresent(wrong -> text.add(
                        "the first answer turned round: " + result(Tracing.of(seen, RegionProfile.UK_230, wrong))));
        WordForWord.isAsRead("conductors/boards", "board " + seed, text.toString());
    }

    private interface Tracer {
        Traced of(List<Reading.Answered> readings);
    }

    private interface Words {
        String of(Reading reading, boolean value);
    }

    private static List<Reading.Answered> read(Tracer tracer, Words words, StringJoiner text) {
        List<Reading.Answered> readings = new ArrayList<>();
        Traced traced = tracer.of(readings);
        text.add(result(traced));
        while (traced.nextTest().isPresent()) {
            Traced.NextTest next = traced.nextTest().get();
            boolean value = next.leavesIfTrue() >= next.leavesIfFalse();
            readings.add(new Reading.Answered(next.reading(), value));
            Traced after = tracer.of(readings);
            assertThat(after.possible().size())
                    .as("left by %s", next)
                    .isEqualTo(Math.max(next.leavesIfTrue(), next.leavesIfFalse()));
            text.add(readings.size() + ". " + words.of(next.reading(), value) + "\n   " + next.why() + " true: "
                    + next.leavesIfTrue() + ", false: " + next.leavesIfFalse());
            text.add(result(after));
            traced = after;
        }
        return readings;
    }

    private static Optional<List<Reading.Answered>> turnedRound(List<Reading.Answered> readings) {
        if (readings.isEmpty()) {
            return Optional.empty();
        }
        List<Reading.Answered> wrong = new ArrayList<>(readings);
        wrong.set(
                0,
                new Reading.Answered(readings.get(0).reading(), !readings.get(0).value()));
        return Optional.of(wrong);
    }

    private static String seen(OpenedBox box) {
        StringJoiner cores = new StringJoiner("; ");
        box.cores()
                .forEach(core -> cores.add(core.id() + " " + core.colour() + " of " + core.cable() + " at "
                        + core.at().kind() + " " + core.at().name()));
        return box.id() + " " + box.mechanism().map(Enum::name).orElse(box.removed() ? "off" : "lamp place") + ": "
                + cores;
    }

    private static String result(Traced traced) {
        StringJoiner text = new StringJoiner("\n   ");
        text.add(traced.possible().size() + " possible" + (traced.done() ? ", done" : "") + ", certain "
                + new TreeMap<>(traced.certain()));
        traced.possible().stream()
                .limit(MOST_LISTED)
                .forEach(possible -> text.add(
                        possible.topology() + " " + possible.support() + " " + new TreeMap<>(possible.roles())));
        if (!traced.contradictions().isEmpty()) {
            text.add("cannot hold together: " + traced.contradictions());
        }
        traced.nearest()
                .ifPresent(
                        nearest -> text.add("nearest: " + nearest.possibility().topology() + " "
                                + new TreeMap<>(nearest.possibility().roles()) + " against " + nearest.broken()));
        return text.toString();
    }
}
