package org.hiddenclerk.core.live;

import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Reach.Part;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.Trigger;

/** What a check may be put together from, each drafted on the first suitable thing of the house; slots say the rest. */
public enum CheckPart {
    GIVEN_OUTPUT("given an output is on or off"),
    GIVEN_DARK("given it is dark or light"),
    GIVEN_HOME("given somebody or nobody is home"),
    GIVEN_CLOCK("given a time of day"),
    GIVEN_SENSOR("given a sensor says something"),
    GIVEN_DOWN("given a part is down"),
    WHEN_HAND("when a switch is worked"),
    WHEN_REMOTE("when an output is switched by remote"),
    WHEN_SENSOR("when a sensor says something"),
    WHEN_HOUSEHOLD("when somebody comes or goes"),
    WHEN_CLOCK("when it gets a time of day"),
    WHEN_FAILS("when a part fails"),
    WHEN_BACK("when a part comes back"),
    WHEN_PASSES("when time passes"),
    THEN_BECOMES("then an output is on or off within a time"),
    THEN_STAYS("then an output stays as it is"),
    THEN_HUB_KNOWS("then the hub knows");

    private static final int SOON_MS = 500;
    private static final int WHILE_SECONDS = 10;
    private static final LocalTime EVENING = LocalTime.of(22, 0);

    private final String words;

    CheckPart(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** A check to begin with: the first switch, and what it commands; empty in a house without any. */
    public static Optional<Check> draft(LivePlan plan, String id) {
        return plan.house().controls().values().stream()
                .filter(control -> control.output().isPresent())
                .findFirst()
                .map(control -> new Check(
                        id,
                        "New check",
                        List.of(new Check.Given.OutputIs(control.output().get(), false)),
                        List.of(hand(plan, control)),
                        List.of(new Check.Then.Becomes(control.output().get(), true, SOON_MS))));
    }

    private static Check.When hand(LivePlan plan, Device.Control control) {
        return new Check.When.Worked(
                plan.handsOf(control.id()).get(0),
                control.kind() == Device.Kind.ROCKER ? Hand.Doing.FLIP : Hand.Doing.PRESS);
    }

    /** The check with this added; empty where the house lacks what it takes. */
    public Optional<Check> addTo(Check check, LivePlan plan) {
        RuledHouse house = plan.house();
        Optional<OutputId> output =
                spokenOf(check).or(() -> house.outputs().keySet().stream().findFirst());
        Optional<Device.Sensor> sensor = house.sensors().values().stream().findFirst();
        String part = Parts.keyOf(Part.HUB);
        return switch (this) {
            case GIVEN_OUTPUT -> output.map(id -> given(check, new Check.Given.OutputIs(id, false)));
            case GIVEN_DARK -> Optional.of(given(check, new Check.Given.Dark(true)));
            case GIVEN_HOME -> Optional.of(given(check, new Check.Given.SomebodyHome(true)));
            case GIVEN_CLOCK -> Optional.of(given(check, new Check.Given.ClockShows(EVENING)));
            case GIVEN_SENSOR ->
                sensor.map(each -> given(check, new Check.Given.SensorSays(each.id(), reading(each), 0)));
            case GIVEN_DOWN -> Optional.of(given(check, new Check.Given.Down(part)));
            case WHEN_HAND ->
                house.controls().values().stream().findFirst().map(control -> when(check, hand(plan, control)));
            case WHEN_REMOTE -> output.map(id -> when(check, new Check.When.Ordered(id, true)));
            case WHEN_SENSOR -> sensor.map(each -> when(check, new Check.When.Senses(each.id(), reading(each), 0)));
            case WHEN_HOUSEHOLD -> Optional.of(when(check, new Check.When.Household(false)));
            case WHEN_CLOCK -> Optional.of(when(check, new Check.When.ClockComesTo(EVENING)));
            case WHEN_FAILS -> Optional.of(when(check, new Check.When.Fails(part)));
            case WHEN_BACK -> Optional.of(when(check, new Check.When.ComesBack(part)));
            case WHEN_PASSES -> Optional.of(when(check, new Check.When.Passes(WHILE_SECONDS)));
            case THEN_BECOMES -> output.map(id -> then(check, new Check.Then.Becomes(id, true, SOON_MS)));
            case THEN_STAYS -> output.map(id -> then(check, new Check.Then.Stays(id, true, WHILE_SECONDS)));
            case THEN_HUB_KNOWS -> output.map(id -> then(check, new Check.Then.HubKnows(id, SOON_MS)));
        };
    }

    /** The output that the check is about already. */
    private static Optional<OutputId> spokenOf(Check check) {
        return check.thens().stream()
                .map(then -> then instanceof Check.Then.Becomes becomes
                        ? becomes.output()
                        : then instanceof Check.Then.Stays stays
                                ? stays.output()
                                : ((Check.Then.HubKnows) then).output())
                .findFirst();
    }

    private static Trigger.Reading reading(Device.Sensor sensor) {
        return java.util.Arrays.stream(Trigger.Reading.values())
                .filter(reading -> reading.senses() == sensor.senses())
                .findFirst()
                .orElseThrow();
    }

    private static Check given(Check check, Check.Given given) {
        return new Check(check.id(), check.name(), and(check.givens(), given), check.whens(), check.thens());
    }

    private static Check when(Check check, Check.When when) {
        return new Check(check.id(), check.name(), check.givens(), and(check.whens(), when), check.thens());
    }

    private static Check then(Check check, Check.Then then) {
        return new Check(check.id(), check.name(), check.givens(), check.whens(), and(check.thens(), then));
    }

    private static <T> List<T> and(List<T> before, T more) {
        List<T> all = new ArrayList<>(before);
        all.add(more);
        return all;
    }
}
