package org.hiddenclerk.core.handover;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.handover.HandoverTest.Kind;
import org.hiddenclerk.core.handover.HandoverTest.Scale;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.Reach.Part;

/**
 * Draws up the tests of a house from its plan: for each output its switches, the remote, what fails, and the
 * figures. Which tests, and ten seconds of
 * a power cut, are common practice, no source.
 */
public final class HandoverTests {
    private final LivePlan plan;
    private final Map<OutputId, Watts> metered;
    private final Map<OutputId, List<Reach.Row>> reach;
    private final List<HandoverTest> tests = new ArrayList<>();

    private HandoverTests(LivePlan plan, Map<OutputId, Watts> metered) {
        this.plan = plan;
        this.metered = metered;
        reach = Reach.of(plan.house(), plan.delays()).stream().collect(Collectors.groupingBy(Reach.Row::output));
    }

    /**
     * The tests of every module that is planned, in the order of the modules.
     *
     * @param metered what hangs on outputs whose module measures it
     */
    public static List<HandoverTest> of(LivePlan plan, Map<OutputId, Watts> metered) {
        HandoverTests drawn = new HandoverTests(plan, metered);
        plan.house().devices().forEach(drawn::add);
        return List.copyOf(drawn.tests);
    }

    private void add(Device device) {
        for (Device.Output output : device.outputs()) {
            switches(device, output);
            boolean pulse = output.drives() == Device.Drives.GATE;
            add(
                    Kind.REMOTE,
                    device,
                    output,
                    "",
                    pulse
                            ? "Order " + output.name() + " from the hub, with nobody in its way."
                            : "Switch " + output.name() + " on and off from the hub.",
                    pulse
                            ? "Its contact closes for about a second and opens by itself."
                            : "It does, and the hub shows what it is.",
                    Optional.empty());
            powerCut(device, output);
            missing(
                    Kind.INTERNET_OFF,
                    device,
                    output,
                    Part.INTERNET,
                    "With the internet unplugged, work every switch of " + output.name() + ".");
            missing(
                    Kind.HUB_OFF,
                    device,
                    output,
                    Part.HUB,
                    "With the hub off, work every switch of " + output.name() + ".");
            if (!own(output).isEmpty()) {
                add(
                        Kind.HAND_TO_HUB,
                        device,
                        output,
                        "",
                        "Work the switch of " + output.name() + " and time until the hub shows it.",
                        "Half a second or less.",
                        Optional.of(Scales.delay()));
            }
            Optional.ofNullable(metered.get(output.id()))
                    .ifPresent(rated -> add(
                            Kind.METERING,
                            device,
                            output,
                            "",
                            "With " + output.name() + " on, read what the module measures.",
                            "About " + rated.asDecimal().stripTrailingZeros().toPlainString() + " W.",
                            Optional.of(Scales.metering(rated))));
        }
        if (!device.outputs().isEmpty()) {
            add(
                    Kind.LINK_QUALITY,
                    device,
                    device.outputs().get(0),
                    device.id().text(),
                    "With plates and covers on, read how well " + device.name() + " is heard.",
                    "Good; weak at the least.",
                    Optional.of(Scales.link(device.protocol())));
        } else {
            // What only commands others is heard or it is nothing.
            plan.house().links().stream()
                    .filter(link -> device.controls().stream()
                            .anyMatch(control -> control.id().equals(link.control())))
                    .findFirst()
                    .ifPresent(link -> add(
                            Kind.LINK_QUALITY,
                            device,
                            plan.house().outputs().get(link.output()),
                            device.id().text(),
                            "With plates and covers on, read how well " + device.name() + " is heard.",
                            "Good; weak at the least.",
                            Optional.of(Scales.link(device.protocol()))));
        }
    }

    private List<Device.Control> own(Device.Output output) {
        return plan.house().controls().values().stream()
                .filter(control -> control.output().filter(output.id()::equals).isPresent()
                        && control.behaviour().switchesByItself())
                .toList();
    }

    private List<Link> links(Device.Output output) {
        return plan.house().links().stream()
                .filter(link -> link.output().equals(output.id()))
                .toList();
    }

    private void switches(Device device, Device.Output output) {
        String blind =
                output.drives() == Device.Drives.BLIND ? ": it goes up, down and stops." : ": it goes on and off.";
        for (Device.Control control : own(output)) {
            for (SwitchId hand : plan.handsOf(control.id())) {
                add(
                        Kind.WALL_SWITCH,
                        device,
                        output,
                        hand.text(),
                        "Work " + plan.nameOf(hand) + ".",
                        output.name() + blind,
                        Optional.empty());
            }
        }
        plan.wiredSwitches().stream()
                .filter(at -> plan.fedThrough(at).contains(output.id()))
                .forEach(at -> add(
                        Kind.WALL_SWITCH,
                        device,
                        output,
                        at.text(),
                        "With " + output.name() + " on, switch " + plan.nameOf(at)
                                + " off, and on again after 10 seconds.",
                        output.name() + " goes off with it"
                                + (plan.powerOn(output.id()) == PowerOn.ON ? ", and comes on again." : "."),
                        Optional.empty()));
        for (Link link : links(output)) {
            for (SwitchId hand : plan.handsOf(link.control())) {
                add(
                        Kind.FAR_SWITCH,
                        device,
                        output,
                        hand.text(),
                        "Work " + plan.nameOf(hand) + ".",
                        output.name() + " follows " + link.way().words() + blind,
                        Optional.empty());
            }
        }
    }

    private void powerCut(Device device, Device.Output output) {
        if (device.circuit().isEmpty()) {
            return;
        }
        if (output.drives() == Device.Drives.GATE) {
            add(
                    Kind.POWER_CUT,
                    device,
                    output,
                    "",
                    "Switch circuit " + device.circuit().get()
                            + " off for 10 seconds and on again, with nobody in its way.",
                    output.name() + " does not move.",
                    Optional.empty());
            return;
        }
        String after = output.drives() == Device.Drives.BLIND
                ? "It stands still."
                : switch (plan.powerOn(output.id())) {
                    case OFF -> "It stays off.";
                    case ON -> "It comes on.";
                    case LAST -> "It is what it was before.";
                    case SWITCH -> "It is what its switch says.";
                };
        add(
                Kind.POWER_CUT,
                device,
                output,
                "",
                "With " + output.name() + " on, switch circuit "
                        + device.circuit().get() + " off for 10 seconds and on again.",
                after,
                Optional.empty());
    }

    /** What a hand still reaches when something is down, as the plan has it. */
    private void missing(Kind kind, Device device, Device.Output output, Part part, String words) {
        Map<String, Reach.State> byHand = new LinkedHashMap<>();
        reach.getOrDefault(output.id(), List.of()).forEach(row -> plan.handsOf(row.control())
                .forEach(hand -> byHand.merge(
                        plan.nameOf(hand), row.without(Set.of(part)).state(), (a, b) -> a.compareTo(b) <= 0 ? a : b)));
        if (byHand.isEmpty()) {
            return;
        }
        List<String> lost = named(byHand, true);
        List<String> kept = named(byHand, false);
        String expected = lost.isEmpty()
                ? "All of them work."
                : kept.isEmpty()
                        ? "None works: the plan takes what is missing for every one."
                        : sentence(kept, " works.", " work.") + " "
                                + sentence(lost, " does not, as planned.", " do not, as planned.");
        add(kind, device, output, "", words, expected, Optional.empty());
    }

    private static List<String> named(Map<String, Reach.State> byHand, boolean lost) {
        return byHand.entrySet().stream()
                .filter(e -> (e.getValue() == Reach.State.LOST) == lost)
                .map(Map.Entry::getKey)
                .toList();
    }

    private static String sentence(List<String> names, String one, String more) {
        return String.join(" and ", names) + (names.size() == 1 ? one : more);
    }

    private void add(
            Kind kind,
            Device device,
            Device.Output output,
            String at,
            String words,
            String expected,
            Optional<Scale> scale) {
        String id = kind + " " + output.id().text() + (at.isEmpty() ? "" : " " + at);
        if (tests.stream().noneMatch(test -> test.id().equals(id))) {
            tests.add(new HandoverTest(id, kind, device.id(), output.id(), words, expected, scale));
        }
    }
}
