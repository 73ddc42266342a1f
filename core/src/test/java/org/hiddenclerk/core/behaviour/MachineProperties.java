package org.hiddenclerk.core.behaviour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.hiddenclerk.core.behaviour.Event.Type;

/** What holds of every behaviour, whatever hands, commands and the supply do. */
class MachineProperties {
    private static final long LONG_AFTER = 1_000_000;

    /** A machine, and what happens to it. */
    record Story(Machine machine, List<Event> events) {
        State start() {
            return machine.start(
                    machine.inputs() == 2 ? List.of(Contact.OPEN, Contact.OPEN) : List.of(Contact.OPEN),
                    false,
                    Motion.STOP);
        }
    }

    @Provide
    Arbitrary<Story> stories() {
        return Arbitraries.of(InputBehaviour.values())
                .flatMap(behaviour -> Combinators.combine(parameters(), events(behaviour))
                        .as((parameters, events) -> new Story(new Machine(behaviour, parameters), events)));
    }

    private static Arbitrary<Parameters> parameters() {
        Arbitrary<Long> ms = Arbitraries.longs().between(1, 900);
        Arbitrary<Boolean> yes = Arbitraries.of(true, false);
        return Combinators.combine(
                        Arbitraries.longs().between(0, 60),
                        Arbitraries.of(Contact.values()),
                        yes,
                        ms,
                        ms,
                        yes,
                        ms,
                        Arbitraries.of(PowerOn.values()))
                .as((debounce, rest, inverted, hold, runOn, stops, pause, powerOn) ->
                        new Parameters(debounce, rest, inverted, hold, runOn, stops, 20, 400, pause, powerOn));
    }

    private static Arbitrary<List<Event>> events(InputBehaviour behaviour) {
        List<Type> deeds = Arrays.stream(Type.values())
                .filter(deed -> deed.suits(behaviour))
                .toList();
        int inputs = behaviour == InputBehaviour.UP_DOWN ? 2 : 1;
        return Combinators.combine(
                        Arbitraries.longs().between(0, 300),
                        Arbitraries.of(deeds),
                        Arbitraries.integers().between(1, inputs))
                .as(Event::new)
                .list()
                .ofMaxSize(25)
                .map(gaps -> {
                    List<Event> events = new ArrayList<>();
                    long at = 0;
                    for (Event gap : gaps) {
                        at += gap.atMs();
                        events.add(new Event(at, gap.deed(), gap.deed().isContact() ? gap.input() : 1));
                    }
                    return events;
                });
    }

    @Property
    void aBlindIsNeverTurnedWithoutThePause(@ForAll("stories") Story story) {
        List<Output> outputs =
                story.machine.run(story.start(), story.events, LONG_AFTER).outputs();
        Motion last = Motion.STOP;
        Motion direction = Motion.STOP;
        long ended = 0;
        for (Output output : outputs) {
            if (output instanceof Output.Moves moves) {
                if (moves.motion() == Motion.STOP) {
                    direction = last;
                    ended = moves.atMs();
                } else {
                    assertThat(last).as("a direction begins from a stop").isEqualTo(Motion.STOP);
                    if (direction == moves.motion().opposite()) {
                        assertThat(moves.atMs() - ended)
                                .isGreaterThanOrEqualTo(
                                        story.machine.parameters().reversePauseMs());
                    }
                }
                last = moves.motion();
            }
        }
    }

    @Property
    void withTheSupplyBackForGoodItEndsAsTheParametersAllow(@ForAll("stories") Story story) {
        long end = story.events.isEmpty()
                ? 0
                : story.events.get(story.events.size() - 1).atMs();
        List<Event> all = Stream.concat(
                        story.events.stream(),
                        Stream.of(new Event(end + 1, Type.SUPPLY_LOST), new Event(end + 2_000, Type.SUPPLY_BACK)))
                .toList();
        State after = story.machine.run(story.start(), all, end + 2_000).state();
        Parameters parameters = story.machine.parameters();
        boolean lostBefore = !story.machine
                .run(story.start(), story.events, end)
                .state()
                .supply()
                .isThere();
        assertThat(after.supply().isThere()).isTrue();
        if (story.machine.behaviour() == InputBehaviour.UP_DOWN) {
            Motion asked = Motion.of(
                    parameters.isActive(after.contacts().get(0)),
                    parameters.isActive(after.contacts().get(1)));
            assertThat(after.motion()).isEqualTo(parameters.powerOn() == PowerOn.SWITCH ? asked : Motion.STOP);
            return;
        }
        boolean active = parameters.isActive(after.contacts().get(0));
        switch (parameters.powerOn()) {
            case OFF -> assertThat(after.relay()).isFalse();
            case ON -> assertThat(after.relay()).isTrue();
            case SWITCH ->
                assertThat(after.relay())
                        .isEqualTo(active
                                != (parameters.inverted()
                                        && story.machine.behaviour() == InputBehaviour.POSITION_RULES));
            case LAST -> {
                // The loss comes before what else is due at its instant, so the state of the instant before is kept.
                if (!lostBefore) {
                    assertThat(after.relay())
                            .isEqualTo(story.machine
                                    .run(story.start(), story.events, end)
                                    .state()
                                    .relay());
                }
            }
        }
        if (story.machine.behaviour() == InputBehaviour.RUN_ON) {
            assertThat(story.machine
                            .run(after, List.of(), LONG_AFTER * 10)
                            .state()
                            .relay())
                    .as("a run-on ends")
                    .isFalse();
        }
    }

    @Property
    void bouncesShorterThanTheDebounceChangeNothing(@ForAll("stories") Story story) {
        long debounce = story.machine.parameters().debounceMs();
        if (debounce < 2 || story.machine.behaviour() == InputBehaviour.SUPPLY_BLINK) {
            return;
        }
        List<Event> bounced = new ArrayList<>();
        List<Event> quiet = new ArrayList<>();
        Contact[] stands = {Contact.OPEN, Contact.OPEN};
        long at = 0;
        for (Event event : story.events) {
            // Every event moves its contact over: a change to where it stands already would be none.
            at += 5_000;
            int input = story.machine.inputs() == 1 ? 1 : event.input();
            Type there = stands[input - 1] == Contact.OPEN ? Type.CLOSE : Type.OPEN;
            Type back = there == Type.CLOSE ? Type.OPEN : Type.CLOSE;
            stands[input - 1] = stands[input - 1].other();
            quiet.add(new Event(at, there, input));
            bounced.add(new Event(at - 3 * (debounce - 1), there, input));
            bounced.add(new Event(at - 2 * (debounce - 1), back, input));
            bounced.add(new Event(at, there, input));
        }
        assertThat(story.machine.run(story.start(), bounced, LONG_AFTER).outputs())
                .isEqualTo(story.machine.run(story.start(), quiet, LONG_AFTER).outputs());
    }

    @Property
    void whereverTheTimeIsCutTheRestIsTheSame(@ForAll("stories") Story story, @ForAll("cuts") long cut) {
        Machine.Step whole = story.machine.run(story.start(), story.events, LONG_AFTER);
        Machine.Step first = story.machine.run(
                story.start(),
                story.events.stream().filter(event -> event.atMs() <= cut).toList(),
                cut);
        Machine.Step second = story.machine.run(
                first.state(),
                story.events.stream().filter(event -> event.atMs() > cut).toList(),
                LONG_AFTER);
        assertThat(Stream.concat(first.outputs().stream(), second.outputs().stream()))
                .containsExactlyElementsOf(whole.outputs());
        assertThat(second.state()).isEqualTo(whole.state());
    }

    @Provide
    Arbitrary<Long> cuts() {
        return Arbitraries.longs().between(0, 8_000);
    }

    @Property
    void nothingButAHandACommandATimerOrTheSupplyChangesIt(@ForAll("stories") Story story) {
        boolean relay = false;
        for (Output output :
                story.machine.run(story.start(), story.events, LONG_AFTER).outputs()) {
            if (output instanceof Output.Relay change) {
                assertThat(change.on()).as("every change is one").isNotEqualTo(relay);
                relay = change.on();
                if (story.machine.behaviour() != InputBehaviour.RUN_ON) {
                    assertThat(change.cause())
                            .as("only a run-on ends by itself")
                            .isNotEqualTo(Cause.TIMER);
                }
                if (story.machine.behaviour() == InputBehaviour.REPORT_ONLY) {
                    assertThat(change.cause()).isNotEqualTo(Cause.HAND);
                }
            }
        }
    }
}
