package org.hiddenclerk.core.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.Size;
import org.hiddenclerk.core.bench.BenchCard.Facts;
import org.hiddenclerk.core.bench.BenchCard.Mark;
import org.hiddenclerk.core.bench.BenchCard.Outcome;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.joining.Window;
import org.hiddenclerk.core.testing.Modules;
import org.junit.jupiter.api.Test;

/** What may be marked on the bench, and what may not. */
class BenchCardTest {
    private static final Facts KNOWN = new Facts(true, true, true, true, true, false, List.of());

    private static Mark done(BenchStep step) {
        return new Mark(step, Outcome.DONE, "");
    }

    @Test
    void theWayThroughIsTheOrderOfTheSteps() {
        List<Mark> marks = new ArrayList<>();
        for (BenchStep step : BenchStep.values()) {
            BenchCard card = new BenchCard(marks, KNOWN);
            assertThat(card.next()).contains(step);
            assertThat(card.refusal(done(step))).isEmpty();
            marks.add(done(step));
        }
        assertThat(new BenchCard(marks, KNOWN).isReady()).isTrue();
    }

    @Test
    void withoutPowerACodeOrAPlaceAStepIsRefused() {
        BenchCard empty = new BenchCard(List.of(), KNOWN);
        BenchCard powered = new BenchCard(
                List.of(done(BenchStep.POWER_UP)), new Facts(true, false, false, false, false, false, List.of()));
        assertThat(empty.refusal(done(BenchStep.INPUTS)).orElseThrow()).contains("power it up first");
        assertThat(powered.refusal(done(BenchStep.CREDENTIAL)).orElseThrow()).contains("No code");
        assertThat(powered.refusal(done(BenchStep.NAME)).orElseThrow()).contains("no name");
        assertThat(powered.refusal(done(BenchStep.PACK)).orElseThrow()).contains("update it", "test every channel");
    }

    /** A plan that wants something else opens the step again; the inputs are tried as it will be set. */
    @Test
    void aModuleIsSetAsItIsWantedBeforeItsInputsAreTried() {
        BenchCard unset = new BenchCard(List.of(done(BenchStep.POWER_UP)), KNOWN);
        assertThat(unset.refusal(done(BenchStep.INPUTS)).orElseThrow()).contains("set it first");
        List<Mark> set = List.of(done(BenchStep.POWER_UP), done(BenchStep.SETTINGS));
        assertThat(new BenchCard(set, KNOWN).refusal(done(BenchStep.INPUTS))).isEmpty();
        BenchCard otherwise = new BenchCard(
                set, new Facts(true, true, true, true, false, false, List.of("power-on is off; last is wanted")));
        assertThat(otherwise.isBehind(BenchStep.SETTINGS)).isFalse();
        assertThat(otherwise.refusal(done(BenchStep.INPUTS))).isPresent();
    }

    @Test
    void aModuleWhoseButtonCantBeReachedJoinsAtTheBench() {
        List<Mark> all = new ArrayList<>(java.util.Arrays.stream(BenchStep.values())
                .filter(step -> step != BenchStep.JOIN && step != BenchStep.PACK)
                .map(BenchCardTest::done)
                .toList());
        assertThat(new BenchCard(all, KNOWN).refusal(done(BenchStep.PACK)).orElseThrow())
                .contains("let it join here");
        assertThat(new BenchCard(all, new Facts(true, true, true, true, false, false, List.of()))
                        .refusal(done(BenchStep.PACK)))
                .isEmpty();
    }

    @Test
    void whatFailedIsOpenUntilItIsDone() {
        BenchCard card = new BenchCard(
                List.of(done(BenchStep.POWER_UP), new Mark(BenchStep.CHANNELS, Outcome.FAILED, "stays off")), KNOWN);
        assertThat(card.failed()).containsExactly(BenchStep.CHANNELS);
        assertThat(card.isBehind(BenchStep.CHANNELS)).isFalse();
        assertThat(card.refusal(new Mark(BenchStep.CHANNELS, Outcome.SKIPPED, " "))
                        .orElseThrow())
                .contains("reason");
        assertThat(card.refusal(new Mark(BenchStep.POWER_UP, Outcome.SKIPPED, "no bench here"))
                        .orElseThrow())
                .contains("never left out");
    }

    /** A code nobody asked for that was tried and failed is open all the same: somebody meant to keep it. */
    @Test
    void aCodeThatFailedIsOpenEvenWhereNoneIsAsked() {
        Facts needsNone = new Facts(false, false, true, true, false, false, List.of());
        Mark failed = new Mark(BenchStep.CREDENTIAL, Outcome.FAILED, "unreadable");
        assertThat(new BenchCard(List.of(), needsNone).isBehind(BenchStep.CREDENTIAL))
                .isTrue();
        assertThat(new BenchCard(List.of(failed), needsNone).isBehind(BenchStep.CREDENTIAL))
                .isFalse();
        assertThat(new BenchCard(
                                List.of(failed, new Mark(BenchStep.CREDENTIAL, Outcome.SKIPPED, "has none")), needsNone)
                        .isBehind(BenchStep.CREDENTIAL))
                .isTrue();
    }

    /** Every protocol that asks for a code has a kind of code to keep. */
    @Test
    void whatIsAskedForCanBeKept() {
        for (Protocol protocol : Protocol.values()) {
            assertThat(JoiningCodes.areNeeded(protocol)
                            && JoiningCodes.of(protocol).isEmpty())
                    .as(protocol.label())
                    .isFalse();
            assertThat(Window.of(protocol).byCodeOnly() && !JoiningCodes.areNeeded(protocol))
                    .as("%s: nobody comes in without, so the bench asks for it", protocol.label())
                    .isFalse();
        }
        assertThat(JoiningCodes.areNeeded(Protocol.ZIGBEE)).isTrue();
        assertThat(JoiningCodes.areNeeded(Protocol.MQTT_WIFI)).isFalse();
    }

    /** However it is tried: what is ready was powered, has what its protocol needs, and nothing of it failed last. */
    @Property
    void nothingIsReadyThatIsNot(
            @ForAll @Size(max = 40) List<BenchStep> steps,
            @ForAll @Size(max = 40) List<Outcome> outcomes,
            @ForAll boolean needsCode,
            @ForAll boolean hasCode,
            @ForAll boolean named,
            @ForAll boolean place,
            @ForAll boolean joinsHere,
            @ForAll boolean differs) {
        List<Mark> marks = new ArrayList<>();
        Facts facts = new Facts(
                needsCode,
                hasCode,
                named,
                place,
                joinsHere,
                false,
                differs ? List.of("power-on is off; last is wanted") : List.of());
        for (int i = 0; i < Math.min(steps.size(), outcomes.size()); i++) {
            Mark mark = new Mark(steps.get(i), outcomes.get(i), "because");
            if (new BenchCard(marks, facts).refusal(mark).isEmpty()) {
                marks.add(mark);
            }
        }
        BenchCard card = new BenchCard(marks, facts);
        if (card.isReady()) {
            assertThat(marks.get(0).step() == BenchStep.POWER_UP || marks.get(0).outcome() != Outcome.DONE)
                    .isTrue();
            assertThat(card.failed()).isEmpty();
            assertThat(!needsCode
                            || hasCode
                            || card.outcome(BenchStep.CREDENTIAL).equals(Optional.of(Outcome.SKIPPED)))
                    .isTrue();
            assertThat(named && place).isTrue();
            assertThat(!differs || card.outcome(BenchStep.SETTINGS).equals(Optional.of(Outcome.SKIPPED)))
                    .as("no setting differs from what is wanted")
                    .isTrue();
            assertThat(!joinsHere || card.outcome(BenchStep.JOIN).isPresent()).isTrue();
        }
    }

    /** What is said at the bench is right for the module: two wires and direct current have no live and neutral. */
    @Test
    void everyKindOfSupplyHasItsOwnWayToBePowered() {
        String twoWire =
                BenchStep.POWER_UP.how(Modules.twoWire(30, Modules.generous()).powering(), false);
        assertThat(twoWire).contains("a lamp of at least 30\u2009W", "Never live and neutral on its two terminals");
        assertThat(BenchStep.POWER_UP.how(
                        Modules.withNeutral(1, 2, Modules.generous()).powering(), false))
                .startsWith("Live on L and neutral on N");
        assertThat(BenchStep.POWER_UP.how(Modules.sender().powering(), false)).startsWith("In the path of a lamp");
        assertThat(BenchStep.CHANNELS.how("", true)).contains("no mains on a volt-free contact");
    }

    /** A module that is in its box before the work is not powered on a bench, and not packed; it has a code, a name and settings all the same. */
    @Test
    void ofOneThatIsInItsBoxTheBenchIsNotAsked() {
        Facts inPlace = new Facts(true, true, true, true, true, true, List.of());
        BenchCard card = new BenchCard(List.of(), inPlace);

        assertThat(card.next()).contains(BenchStep.UPDATE);
        assertThat(card.refusal(done(BenchStep.CREDENTIAL))).isEmpty();
        BenchCard known = new BenchCard(
                List.of(
                        done(BenchStep.UPDATE),
                        done(BenchStep.CREDENTIAL),
                        done(BenchStep.NAME),
                        done(BenchStep.LABEL),
                        done(BenchStep.SETTINGS)),
                inPlace);
        assertThat(known.isReady()).as("%s is open", known.next()).isTrue();
    }
}
