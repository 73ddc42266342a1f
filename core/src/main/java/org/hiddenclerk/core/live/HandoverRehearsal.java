package org.hiddenclerk.core.live;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.Contact;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach.Part;

/** The tests of the handover record, drawn up for every output of a house so that they can be rehearsed in it. */
public final class HandoverRehearsal {
    /** By hand to hub about half a second is good; common practice, no source. */
    private static final int GOOD_MS = 500;
    /** A cut that every module falls by, and the time that one may take to start; from memory. */
    private static final int POWER_ON_MS = 2_000;

    private static final int CUT_SECONDS = 5;

    private final LivePlan plan;
    private final LiveHouse atRest;
    private final List<Rehearsed> all = new ArrayList<>();

    private HandoverRehearsal(LivePlan plan) {
        this.plan = plan;
        atRest = new LiveHouse(plan, Instant.EPOCH, Carrier.NONE, happening -> {});
    }

    /** What is tested. */
    public enum Kind {
        WALL_SWITCH("wall switch"),
        REMOTE("by remote"),
        POWER_CUT("after a power cut"),
        INTERNET_OFF("internet off"),
        HUB_OFF("hub off"),
        HAND_TO_HUB("hand to hub");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** One test of one output. */
    public record Rehearsed(OutputId output, Kind kind, Check check) {}

    public static List<Rehearsed> of(LivePlan plan) {
        HandoverRehearsal rehearsal = new HandoverRehearsal(plan);
        plan.house().outputs().keySet().forEach(rehearsal::add);
        return rehearsal.all;
    }

    private void add(OutputId output) {
        Device device = plan.house().owner(output);
        List<Device.Control> own = plan.house().controls().values().stream()
                .filter(control -> control.output().filter(output::equals).isPresent()
                        && control.behaviour().switchesByItself())
                .toList();
        for (Device.Control control : own) {
            boolean after = after(control);
            for (SwitchId at : plan.handsOf(control.id())) {
                byHand(output, control, at, after);
            }
        }
        for (Link link : plan.house().links().stream()
                .filter(each -> each.output().equals(output))
                .toList()) {
            Device.Control control = plan.house().controls().get(link.control());
            boolean leads = link.effect() == Link.Effect.FOLLOW
                    && control.output().isEmpty()
                    && control.kind() == Device.Kind.ROCKER;
            byHand(output, control, plan.handsOf(link.control()).get(0), !leads || !atRest.isClosed(control.id()));
        }
        boolean blind = plan.house().outputs().get(output).drives() == Device.Drives.BLIND;
        add(
                output,
                Kind.REMOTE,
                List.of(new Check.Given.OutputIs(output, false)),
                List.of(new Check.When.Ordered(output, true)),
                new Check.Then.Becomes(output, true, GOOD_MS));
        if (plan.house().outputs().get(output).drives() == Device.Drives.GATE) {
            add(
                    output,
                    Kind.REMOTE,
                    List.of(new Check.Given.OutputIs(output, false)),
                    List.of(new Check.When.Ordered(output, true), new Check.When.Passes(CUT_SECONDS)),
                    new Check.Then.Becomes(output, false, GOOD_MS));
            return;
        }
        add(
                output,
                Kind.REMOTE,
                List.of(new Check.Given.OutputIs(output, true)),
                List.of(new Check.When.Ordered(output, false)),
                new Check.Then.Becomes(output, false, GOOD_MS));
        if (!blind && device.circuit().isPresent()) {
            String mains = Parts.keyOf(Part.mains(device.circuit().get()));
            add(
                    output,
                    Kind.POWER_CUT,
                    List.of(new Check.Given.OutputIs(output, true)),
                    List.of(
                            new Check.When.Fails(mains),
                            new Check.When.Passes(CUT_SECONDS),
                            new Check.When.ComesBack(mains)),
                    new Check.Then.Becomes(output, powerOn(output, own), POWER_ON_MS));
        }
    }

    private void byHand(OutputId output, Device.Control control, SwitchId at, boolean after) {
        Check.Given before = new Check.Given.OutputIs(output, !after);
        List<Check.When> worked = List.of(
                new Check.When.Worked(at, control.kind() == Device.Kind.ROCKER ? Hand.Doing.FLIP : Hand.Doing.PRESS));
        Check.Then then = new Check.Then.Becomes(output, after, GOOD_MS);
        add(output, Kind.WALL_SWITCH, List.of(before), worked, then);
        add(output, Kind.INTERNET_OFF, List.of(before, new Check.Given.Down(Parts.keyOf(Part.INTERNET))), worked, then);
        add(output, Kind.HUB_OFF, List.of(before, new Check.Given.Down(Parts.keyOf(Part.HUB))), worked, then);
        add(output, Kind.HAND_TO_HUB, List.of(before), worked, new Check.Then.HubKnows(output, GOOD_MS));
    }

    /** What the output is after the control was worked once, from how its contact stands at rest. */
    private boolean after(Device.Control control) {
        if (!control.behaviour().isLedByPosition() || control.kind() != Device.Kind.ROCKER) {
            return true;
        }
        Parameters parameters = settings(control.id());
        Contact then = atRest.isClosed(control.id()) ? Contact.OPEN : Contact.CLOSED;
        return then != parameters.rest() != parameters.inverted();
    }

    private Parameters settings(ControlId control) {
        return plan.settings().getOrDefault(control, Parameters.USUAL);
    }

    /** It was on before the cut, and nobody touched the switch meanwhile. */
    private boolean powerOn(OutputId output, List<Device.Control> own) {
        Optional<Device.Control> first = own.stream().findFirst();
        Parameters parameters = first.map(control -> settings(control.id())).orElse(Parameters.USUAL);
        return switch (plan.powerOn(output)) {
            case OFF -> false;
            case ON, LAST -> true;
            case SWITCH ->
                first.filter(control -> (atRest.isClosed(control.id()) ? Contact.CLOSED : Contact.OPEN)
                                != parameters.rest()
                                != (control.behaviour().isLedByPosition() && parameters.inverted()))
                        .isPresent();
        };
    }

    private void add(OutputId output, Kind kind, List<Check.Given> givens, List<Check.When> whens, Check.Then then) {
        long before = all.stream()
                .filter(each -> each.output().equals(output) && each.kind() == kind)
                .count();
        all.add(new Rehearsed(
                output,
                kind,
                new Check(
                        output + " " + kind + (before == 0 ? "" : " " + (before + 1)),
                        plan.nameOf(output) + ", " + kind.label(),
                        givens,
                        whens,
                        List.of(then))));
    }

    /** Every test with how it came out. */
    public static Map<Rehearsed, CheckRun.Result> run(LivePlan plan, Instant start) {
        Map<Rehearsed, CheckRun.Result> results = new java.util.LinkedHashMap<>();
        of(plan).forEach(rehearsed -> results.put(rehearsed, CheckRun.of(plan, rehearsed.check(), start)));
        return results;
    }
}
