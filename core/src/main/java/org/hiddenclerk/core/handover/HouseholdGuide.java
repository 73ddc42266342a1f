package org.hiddenclerk.core.handover;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.Reach.Part;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.SentencePart;
import org.hiddenclerk.core.rules.Trigger;
import org.hiddenclerk.core.rules.Words;

/**
 * What the people of a house need to know of their switches, in plain words without the trade's; what is said of it
 * is common practice, no source.
 */
public final class HouseholdGuide {
    private static final String OUT_OF_USE = "It is out of use: nothing is worked by it any more.";
    private static final String AS_BEFORE = "It works as it always did: nothing was built in behind it.";

    private final LivePlan plan;
    private final Map<ControlId, List<Reach.Row>> reachByControl;
    private final String here;

    /** @param here room of the page, whose name its lamps go without */
    private HouseholdGuide(LivePlan plan, Map<ControlId, List<Reach.Row>> reachByControl, String here) {
        this.plan = plan;
        this.reachByControl = reachByControl;
        this.here = here;
    }

    /** A switch at a wall. @param name within its room */
    public record WallSwitch(SwitchId id, String name) {}

    /**
     * What is said of a switch.
     *
     * @param does sentences; never empty
     */
    public record Said(WallSwitch at, List<String> does) {}

    /**
     * The page of a room.
     *
     * @param byItself   what happens without a hand, in sentences
     * @param withoutNet what changes while the internet is out
     * @param withoutHub what changes while the hub is off
     * @param afterCut   what is on and off when the power comes back
     */
    public record Page(
            List<Said> switches,
            List<String> byItself,
            List<String> withoutNet,
            List<String> withoutHub,
            List<String> afterCut) {
        /** Nothing was built in here, and nothing happens by itself. */
        public boolean isAsBefore() {
            return byItself.isEmpty()
                    && afterCut.isEmpty()
                    && switches.stream().allMatch(said -> said.does().equals(List.of(AS_BEFORE)));
        }
    }

    /** What to do when something is out. */
    public record Advice(String head, String words) {}

    /** What holds for the whole house when something is out. */
    public static List<Advice> whenOut(Collection<Page> pages) {
        return List.of(
                new Advice(
                        "The internet",
                        pages.stream().allMatch(page -> page.withoutNet().isEmpty())
                                ? "Every switch at a wall goes on working. What you do by telephone from outside does not."
                                : "Most switches go on working; those that do not are named on the page of their "
                                        + "room. What you do by telephone from outside does not work."),
                new Advice(
                        "The hub",
                        pages.stream().allMatch(page -> page.withoutHub().isEmpty())
                                ? "Every switch at a wall goes on working. What happens by itself does not."
                                : "Switches go on working for the lamps on their own wires; what they do not reach "
                                        + "is named on the page of their room. What happens by itself does not."),
                new Advice(
                        "The power",
                        "When it comes back every lamp is as its room's page says. Give the network a few minutes."),
                new Advice(
                        "A lamp has to be changed",
                        "Switch its circuit off at the board first: the switch at the wall may no longer take the lamp off the mains."),
                new Advice(
                        "Something smells, crackles or gets hot",
                        "Switch the circuit off at the board, leave it off, and call the firm that handed this over."));
    }

    /**
     * Draws the pages up, one for each room.
     *
     * @param switches of each room, by room
     * @param outputs  of each room, by room
     */
    public static Map<String, Page> of(
            LivePlan plan, Map<String, List<WallSwitch>> switches, Map<String, List<OutputId>> outputs) {
        Map<ControlId, List<Reach.Row>> reach =
                Reach.of(plan.house(), plan.delays()).stream().collect(Collectors.groupingBy(Reach.Row::control));
        Map<String, Page> pages = new LinkedHashMap<>();
        switches.forEach((room, own) -> {
            List<OutputId> lamps = outputs.getOrDefault(room, List.of());
            String here = lamps.stream()
                    .map(output -> plan.house().owner(output).room())
                    .findFirst()
                    .orElse("");
            pages.put(room, new HouseholdGuide(plan, reach, here).page(own, lamps));
        });
        return pages;
    }

    private Page page(List<WallSwitch> switches, List<OutputId> outputs) {
        return new Page(
                switches.stream().map(this::said).toList(),
                byItself(outputs),
                lost(switches, Part.INTERNET, "the internet is out"),
                lost(switches, Part.HUB, "the hub is off"),
                afterCut(outputs));
    }

    private List<Device.Control> controls(WallSwitch at) {
        return plan.house().controls().values().stream()
                .filter(control -> plan.handsOf(control.id()).contains(at.id()))
                .toList();
    }

    /** On the page of its own room a lamp is called without the room. */
    private String named(OutputId id) {
        String name = plan.nameOf(id);
        return !here.isEmpty() && name.startsWith(here + " ") ? "the " + name.substring(here.length() + 1) : name;
    }

    private Said said(WallSwitch at) {
        Set<String> does = new LinkedHashSet<>();
        for (Device.Control control : controls(at)) {
            control.output().ifPresent(output -> does.add(own(control, output)));
            links(control).forEach(link -> does.add(linked(control, link)));
            plan.house().rules().stream()
                    .filter(Rule::enabled)
                    .filter(rule -> rule.triggers().stream()
                            .anyMatch(trigger -> trigger instanceof Trigger.Used used
                                    && used.control().equals(control.id())))
                    .forEach(rule -> does.add(SentencePart.plain(Words.of(plan.house(), rule))));
        }
        Set<OutputId> feeds = plan.fedThrough(at.id());
        if (!feeds.isEmpty() && controls(at).isEmpty()) {
            String lamps = feeds.stream().map(this::named).collect(Collectors.joining(" and "));
            does.add("It feeds " + lamps + ": leave it on. While it is off, " + lamps + " cannot be reached."
                    + (feeds.stream().allMatch(output -> plan.powerOn(output) == PowerOn.ON)
                            ? " Off and on again lights " + (feeds.size() == 1 ? "it." : "them.")
                            : ""));
        }
        if (does.isEmpty()) {
            boolean idle = plan.wiredSwitches().contains(at.id()) && !plan.switchesByItself(at.id());
            does.add(idle ? OUT_OF_USE : AS_BEFORE);
        }
        return new Said(at, List.copyOf(does));
    }

    private List<Link> links(Device.Control control) {
        return plan.house().links().stream()
                .filter(link -> link.control().equals(control.id()))
                .toList();
    }

    private String own(Device.Control control, OutputId output) {
        Parameters parameters = plan.settings().getOrDefault(control.id(), Parameters.USUAL);
        String what = named(output);
        String others = elsewhere(control);
        boolean push = control.kind() == Device.Kind.PUSH;
        return switch (control.behaviour()) {
            case PRESS_CHANGES -> "Each press changes " + what + ": off when it is on, on when it is off." + others;
            case EVERY_FLIP ->
                (push ? "Each press changes " : "Each flip changes ") + what + ", whichever way the switch stands."
                        + others;
            case POSITION_RULES ->
                "Its position decides: one way " + what
                        + " is on, the other way off. After it was changed by remote, flip the switch once or twice until it agrees."
                        + others;
            case RUN_ON ->
                "A press switches " + what + " on; it goes off by itself after "
                        + SettingWords.duration(parameters.runOnMs()) + "."
                        + (parameters.pressStops() ? " Another press switches it off at once." : "") + others;
            case SHORT_LONG ->
                "A short press changes " + what + ". A long one is for what is written here beside it, if anything is."
                        + others;
            case UP_DOWN -> "Up opens " + what + ", down closes it; back in the middle it stops." + others;
            case SUPPLY_BLINK ->
                "Off and on again quickly changes " + what + ". Left off, it cannot be switched by remote." + others;
            case REPORT_ONLY -> "It switches nothing by its own wires." + others;
        };
    }

    /** Where else the same input is worked. */
    private String elsewhere(Device.Control control) {
        List<SwitchId> hands = plan.handsOf(control.id());
        return hands.size() < 2
                ? ""
                : " It is worked from " + hands.size() + " places: "
                        + hands.stream().map(plan::nameOf).collect(Collectors.joining(" and ")) + ".";
    }

    private String linked(Device.Control control, Link link) {
        boolean push = control.kind() != Device.Kind.ROCKER;
        return link.effect() == Link.Effect.FOLLOW
                ? capitalised(named(link.output())) + " follows it: on with it, off with it."
                : (push ? "Each press " : "Each flip ") + (control.output().isPresent() ? "also changes " : "changes ")
                        + named(link.output()) + ".";
    }

    /** Rules that act on a lamp of the room and that no hand sets going. */
    private List<String> byItself(List<OutputId> outputs) {
        return plan.house().rules().stream()
                .filter(Rule::enabled)
                .filter(rule -> rule.deeds().stream()
                        .flatMap(deed -> deed.action().outputs().stream())
                        .anyMatch(outputs::contains))
                .filter(rule -> rule.triggers().stream().noneMatch(Trigger.Used.class::isInstance))
                .map(rule -> SentencePart.plain(Words.of(plan.house(), rule)))
                .toList();
    }

    private List<String> lost(List<WallSwitch> switches, Part part, String when) {
        List<String> lost = new ArrayList<>();
        for (WallSwitch at : switches) {
            Set<OutputId> outputs = controls(at).stream()
                    .flatMap(control -> reachByControl.getOrDefault(control.id(), List.of()).stream())
                    .filter(row -> row.without(Set.of(part)).state() == Reach.State.LOST)
                    .map(Reach.Row::output)
                    .collect(Collectors.toCollection(LinkedHashSet::new));
            outputs.forEach(output -> lost.add(
                    at.name() + " does not reach " + named(output) + " while " + when + instead(output, part) + "."));
        }
        return lost;
    }

    /** A switch that still works for the same output. */
    private String instead(OutputId output, Part part) {
        Optional<String> hand = reachByControl.values().stream()
                .flatMap(List::stream)
                .filter(row ->
                        row.output().equals(output) && row.without(Set.of(part)).state() != Reach.State.LOST)
                .map(row -> plan.nameOf(plan.handsOf(row.control()).get(0)))
                .findFirst();
        return hand.map(name -> "; use " + name + " instead").orElse("");
    }

    private List<String> afterCut(List<OutputId> outputs) {
        List<String> words = new ArrayList<>();
        for (OutputId output : outputs) {
            if (plan.house().owner(output).circuit().isEmpty()
                    && plan.house().controls().values().stream()
                            .noneMatch(control ->
                                    control.output().filter(output::equals).isPresent())) {
                continue;
            }
            words.add(capitalised(named(output))
                    + (isStill(output)
                            ? " stands still."
                            : switch (plan.powerOn(output)) {
                                case OFF -> " stays off.";
                                case ON -> " comes on.";
                                case LAST -> " is what it was before.";
                                case SWITCH -> " is what its switch says.";
                            }));
        }
        return words;
    }

    private boolean isStill(OutputId output) {
        Device.Drives drives = plan.house().outputs().get(output).drives();
        return drives == Device.Drives.BLIND || drives == Device.Drives.GATE;
    }

    private static String capitalised(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }
}
