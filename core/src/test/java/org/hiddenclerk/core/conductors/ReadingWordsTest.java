package org.hiddenclerk.core.conductors;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.testing.Circuits;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Readings as somebody at an open box is told them. */
class ReadingWordsTest {
    private static final Map<String, Integer> OFF = Map.of("A", 0);
    private static final Reading BROWN_IS_LIVE = new Reading.Live("A/c1.1", OFF);

    private final Box one = box(1);
    private final ReadingWords words = of(one);

    private static Box box(int gangs) {
        Circuits house = new Circuits(RegionProfile.EU_230).box("A", BoxKind.WALL);
        for (int gang = 1; gang <= gangs; gang++) {
            house.gang("A", Mechanism.ONE_WAY, "4").load("A", "LED 9", gang);
        }
        house.feed("A", "4", "1.COM", "j.n");
        for (int gang = 1; gang <= gangs; gang++) {
            house.cable(
                    "A",
                    new Leads.ToLoad(gang),
                    Circuits.wire(Role.SWITCHED_LIVE, gang + ".L1"),
                    Circuits.wire(Role.NEUTRAL, "j.n"));
        }
        if (gangs > 1) {
            house.jumper("A", "1.COM", "2.COM");
        }
        return house.from("A").lead().box();
    }

    private static ReadingWords of(Box box) {
        Map<String, Box> boxes = Map.of("A", box);
        return new ReadingWords(SurveyedBoard.of(boxes), boxes);
    }

    @ParameterizedTest
    @CsvSource({
        "ONE_WAY_SWITCH_LOOP, one way switch loop",
        "ONE_WAY_FEED_AT_SWITCH+ONE_WAY_SWITCH_LOOP, one way feed at switch and one way switch loop",
        "TWO_WAY_FEED_A_LAMP_B, 'two way feed at A, lamp at B'",
        "TWO_WAY_FEED_B_LAMP_A, 'two way feed at B, lamp at A'",
    })
    void aKindOfCircuitIsSaidInWords(String code, String expected) {
        assertThat(ReadingWords.topology(code)).isEqualTo(expected);
    }

    @Test
    void aCoreIsNamedByColourCableAndBox() {
        assertThat(words.core("A/c1.1")).isEqualTo("brown of c1 in " + one.label());
    }

    @Test
    void whatWasReadIsSaidEitherWay() {
        String brown = "brown of c1 in " + one.label();
        String blue = "blue of c1 in " + one.label();
        String off = one.label() + " at 0";
        Reading pair = new Reading.Continuous("A/c1.1", "A/c1.2");
        Reading returns = new Reading.Returns("A/c1.2", OFF);
        Reading lamp = new Reading.Lamp("A", OFF);
        assertThat(words.done(pair, true)).isEqualTo(brown + " is joined to " + blue);
        assertThat(words.done(pair, false)).isEqualTo(brown + " is not joined to " + blue);
        assertThat(words.done(BROWN_IS_LIVE, true)).isEqualTo(brown + " is live, " + off);
        assertThat(words.done(BROWN_IS_LIVE, false)).isEqualTo(brown + " is not live, " + off);
        assertThat(words.done(returns, true)).isEqualTo(blue + ", freed, lights the tester from live, " + off);
        assertThat(words.done(returns, false)).isEqualTo(blue + ", freed, does not light the tester, " + off);
        assertThat(words.done(lamp, true)).isEqualTo("The lamp burns, " + off);
        assertThat(words.done(lamp, false)).isEqualTo("The lamp does not burn, " + off);
    }

    @Test
    void aWeakNoteIsSaidEitherWay() {
        Reading.Live where = new Reading.Live("A/c1.1", Map.of("A", 1));
        String at = "brown of c1 in " + one.label() + ", " + one.label() + " at 1";
        assertThat(words.noted(new PenNote(where, true))).isEqualTo("The pen beeps at " + at);
        assertThat(words.noted(new PenNote(where, false))).isEqualTo("The pen is silent at " + at);
    }

    /** Dead before anything is freed, and live only with a two-pole tester: common practice, no source. */
    @Test
    void whatIsToBeDoneBeginsWithTheSupply() {
        ReadingWords.Instruction joined = words.toDo(new Reading.Continuous("A/c1.1", "A/c1.2"));
        assertThat(joined.steps())
                .containsExactly(
                        "Circuit off, locked, proved dead",
                        "Free brown of c1 in " + one.label(),
                        "Free blue of c1 in " + one.label(),
                        "Test between the two");
        assertThat(List.of(joined.title(), joined.ifTrue(), joined.ifFalse()))
                .containsExactly("Continuity, everything off", "joined", "not joined");
        ReadingWords.Instruction returns = words.toDo(new Reading.Returns("A/c1.2", OFF));
        assertThat(returns.steps())
                .containsExactly(
                        "Circuit off, proved dead: free blue of c1 in " + one.label() + ", then breaker on",
                        "Switches: " + one.label() + " at 0",
                        "Tester from a proved live to blue of c1 in " + one.label());
        assertThat(List.of(returns.title(), returns.ifTrue(), returns.ifFalse()))
                .containsExactly("Does it lead back?", "the tester lights", "it stays dark");
        ReadingWords.Instruction live = words.toDo(BROWN_IS_LIVE);
        assertThat(live.steps())
                .containsExactly(
                        "Switches: " + one.label() + " at 0",
                        "Tester from brown of c1 in " + one.label() + " to a known neutral or earth");
        assertThat(List.of(live.title(), live.ifTrue(), live.ifFalse()))
                .containsExactly("Two-pole tester, breaker on", "live", "not live");
        ReadingWords.Instruction lamp = words.toDo(new Reading.Lamp("A", OFF));
        assertThat(lamp.steps()).containsExactly("Breaker on", "Switches: " + one.label() + " at 0");
        assertThat(List.of(lamp.title(), lamp.ifTrue(), lamp.ifFalse()))
                .containsExactly("Look at the lamp", "it burns", "it does not");
        assertThat(joined.caution())
                .as("what is done dead has another caution than what is done live")
                .isNotEqualTo(live.caution());
        assertThat(live.caution()).isEqualTo(lamp.caution()).isEqualTo(returns.caution());
    }

    @Test
    void whereABoxHasSeveralSwitchesEachIsNamed() {
        Box two = box(2);
        ReadingWords of = of(two);
        String first = two.gang(1).name();
        SurveyedBoard board = SurveyedBoard.of(Map.of("A", two));
        OpenedBox opened = board.board().boxes().get(0);
        assertThat(of.switchName(opened)).isEqualTo(two.label() + ", " + first);
        Map<String, Integer> off = Map.of(
                board.board().boxes().get(0).id(),
                0,
                board.board().boxes().get(1).id(),
                1);
        assertThat(of.done(new Reading.Lamp(opened.id(), off), true))
                .isEqualTo("The lamp of " + first + " burns, " + two.label() + ", " + first + " at 0, " + two.label()
                        + ", " + two.gang(2).name() + " at 1");
    }

    @Test
    void theNearestWiringIsToldWithAllThatSpeaksAgainstIt() {
        List<Reading.Answered> readings = List.of(
                new Reading.Answered(new Reading.Lamp("A", OFF), true),
                new Reading.Answered(new Reading.Lamp("A", Map.of("A", 1)), false));
        Traced traced = Tracing.of(SurveyedBoard.of(Map.of("A", one)), RegionProfile.EU_230, readings);
        assertThat(traced.nearest()).hasValueSatisfying(nearest -> assertThat(words.nearest(nearest, readings))
                .isEqualTo("Nearest is one way feed at switch. Against it: The lamp burns, " + one.label()
                        + " at 0; The lamp does not burn, " + one.label() + " at 1."));
    }
}
