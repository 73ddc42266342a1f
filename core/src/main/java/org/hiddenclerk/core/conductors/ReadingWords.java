package org.hiddenclerk.core.conductors;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.hiddenclerk.core.job.Box;

/** Readings in the words of the hand that makes them. */
public final class ReadingWords {
    private static final String DEAD = "Isolate, prove dead, free both ends. Nobody else is at the boxes.";
    private static final String LIVE =
            "A live test is for a competent person: prove the tester first, keep the cores apart, "
                    + "nobody else at the switch. A non-contact pen will not do.";

    private final SurveyedBoard surveyed;
    private final Map<String, Box> boxes;

    /** @param boxes the boxes that were surveyed, by identity */
    public ReadingWords(SurveyedBoard surveyed, Map<String, Box> boxes) {
        this.surveyed = surveyed;
        this.boxes = boxes;
    }

    /**
     * How a reading is made.
     *
     * @param ifTrue  the answer that makes it true, in words
     * @param caution what belongs to it
     */
    public record Instruction(String title, List<String> steps, String ifTrue, String ifFalse, String caution) {
        public Instruction {
            steps = List.copyOf(steps);
        }
    }

    /** A kind of circuit. */
    public static String topology(String code) {
        return code.toLowerCase(Locale.ROOT)
                .replace('_', ' ')
                .replace("+", " and ")
                .replace("lamp a", "lamp at A")
                .replace("lamp b", "lamp at B")
                .replace("feed a ", "feed at A, ")
                .replace("feed b ", "feed at B, ");
    }

    /** A core of the board. */
    public String core(String id) {
        SeenCore core =
                surveyed.board().cores().get(surveyed.board().numberOf(id).orElseThrow());
        return core.colour() + " of " + core.cable() + " in "
                + boxes.get(id.substring(0, id.indexOf('/'))).label();
    }

    /** A switch by its box, and by its own name where the box has several. */
    public String switchName(OpenedBox opened) {
        SurveyedBoard.Entry entry = surveyed.entry(opened.id());
        Box box = boxes.get(entry.box());
        return box.gangs().size() < 2
                ? box.label()
                : box.label() + ", " + box.gang(entry.gang()).name();
    }

    private String positions(Map<String, Integer> with) {
        return surveyed.board().boxes().stream()
                .filter(OpenedBox::isOperable)
                .map(box -> switchName(box) + " at " + with.get(box.id()))
                .collect(Collectors.joining(", "));
    }

    private String lampOf(Reading.Lamp lamp) {
        Box box = boxes.get(surveyed.entry(lamp.box()).box());
        return box.gangs().size() < 2
                ? "the lamp"
                : "the lamp of " + box.gang(surveyed.entry(lamp.box()).gang()).name();
    }

    /** A reading that was made. */
    public String done(Reading reading, boolean value) {
        if (reading instanceof Reading.Continuous pair) {
            return core(pair.first()) + (value ? " is joined to " : " is not joined to ") + core(pair.second());
        }
        if (reading instanceof Reading.Live live) {
            return core(live.core()) + (value ? " is live, " : " is not live, ") + positions(live.with());
        }
        if (reading instanceof Reading.Returns returns) {
            return core(returns.core())
                    + (value ? ", freed, lights the tester from live, " : ", freed, does not light the tester, ")
                    + positions(returns.with());
        }
        Reading.Lamp lamp = (Reading.Lamp) reading;
        String words = lampOf(lamp) + (value ? " burns, " : " does not burn, ") + positions(lamp.with());
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** A weak note. */
    public String noted(PenNote note) {
        return "The pen " + (note.beeped() ? "beeps at " : "is silent at ")
                + core(note.where().core()) + ", " + positions(note.where().with());
    }

    /** A reading to be made. */
    public Instruction toDo(Reading reading) {
        List<String> steps = new ArrayList<>();
        if (reading instanceof Reading.Continuous pair) {
            steps.add("Circuit off, locked, proved dead");
            steps.add("Free " + core(pair.first()));
            steps.add("Free " + core(pair.second()));
            steps.add("Test between the two");
            return new Instruction("Continuity, everything off", steps, "joined", "not joined", DEAD);
        }
        if (reading instanceof Reading.Lamp lamp) {
            steps.add("Breaker on");
            steps.add("Switches: " + positions(lamp.with()));
            return new Instruction("Look at " + lampOf(lamp), steps, "it burns", "it does not", LIVE);
        }
        if (reading instanceof Reading.Live live) {
            steps.add("Switches: " + positions(live.with()));
            steps.add("Tester from " + core(live.core()) + " to a known neutral or earth");
            return new Instruction("Two-pole tester, breaker on", steps, "live", "not live", LIVE);
        }
        Reading.Returns returns = (Reading.Returns) reading;
        steps.add("Circuit off, proved dead: free " + core(returns.core()) + ", then breaker on");
        steps.add("Switches: " + positions(returns.with()));
        steps.add("Tester from a proved live to " + core(returns.core()));
        return new Instruction("Does it lead back?", steps, "the tester lights", "it stays dark", LIVE);
    }

    /** The wiring that comes nearest, and what speaks against it. */
    public String nearest(Traced.Nearest nearest, List<Reading.Answered> readings) {
        return "Nearest is " + topology(nearest.possibility().topology()) + ". Against it: "
                + nearest.broken().stream()
                        .map(i ->
                                done(readings.get(i).reading(), readings.get(i).value()))
                        .collect(Collectors.joining("; "))
                + ".";
    }
}
