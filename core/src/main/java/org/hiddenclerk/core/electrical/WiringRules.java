package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.electrical.operation.IntentProof;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.SupplySystem;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.Netlist;
import org.hiddenclerk.core.electrical.solving.Region;

/**
 * The rules that a wiring document must keep before it can be solved: identities, references, pins and sizes. All
 * problems are collected, in document order; an empty list means that {@link WiringCheck} may be asked.
 */
public final class WiringRules {
    private final Wiring wiring;
    private final List<WiringProblem> problems = new ArrayList<>();
    private final Map<PartId, Part> byId = new HashMap<>();
    private final Set<List<String>> windings = new HashSet<>();

    private WiringRules(Wiring wiring) {
        this.wiring = wiring;
    }

    public static List<WiringProblem> problemsOf(Wiring wiring) {
        return new WiringRules(wiring).collect();
    }

    private List<WiringProblem> collect() {
        List<Part> parts = wiring.parts();
        if (parts.size() > Wiring.MAX_PARTS) {
            report("/parts", parts.size() + " parts", "at most " + Wiring.MAX_PARTS + " parts");
            return problems;
        }
        for (int i = 0; i < parts.size(); i++) {
            if (byId.putIfAbsent(parts.get(i).id(), parts.get(i)) != null) {
                report("/parts/" + i + "/id", "a second part " + parts.get(i).id(), "an id of its own for every part");
            }
        }
        for (int i = 0; i < parts.size(); i++) {
            checkPart(parts.get(i), "/parts/" + i);
        }
        for (int i = 0; i < wiring.intents().size(); i++) {
            checkIntent(wiring.intents().get(i), "/intent/" + i);
        }
        if (problems.isEmpty()) {
            checkElements();
        }
        return problems;
    }

    private void checkPart(Part part, String at) {
        List<String> known = part.pinNames();
        for (String pin : part.pins().keySet()) {
            if (!known.contains(pin)) {
                report(
                        at + "/pins/" + escaped(pin),
                        "pin " + pin,
                        "one of the pins of " + part.id() + ": " + String.join(" ", known));
            }
        }
        if (part instanceof Part.Supply supply) {
            checkSupply(supply, at);
        } else if (part instanceof Part.Load load) {
            checkLoad(load, at);
        } else if (part instanceof Part.FittedModule module) {
            checkChannels(module, at);
            if (module.supply() instanceof ModuleSupply.DirectCurrent direct
                    && direct.maxVolts().isEmpty()) {
                report(
                        at + "/module/supply/maxVolts",
                        "nothing",
                        "the highest volts that the direct-current supply takes");
            }
            checkInputs(module.inputs(), module.id(), at + "/module/inputs");
        } else if (part instanceof Part.Sender sender) {
            checkInputs(sender.inputs(), sender.id(), at + "/sender/inputs");
        }
        for (String pin : pinsThatMustBeConnected(part)) {
            if (!part.pins().containsKey(pin)) {
                report(at + "/pins", "no pin " + pin, "a node for pin " + pin);
            }
        }
    }

    /** A conductor, link, bypass, cap or supply with an end in the air says nothing; a switch may have unused throws. */
    private static List<String> pinsThatMustBeConnected(Part part) {
        boolean needsAll = part instanceof Part.Conductor
                || part instanceof Part.Link
                || part instanceof Part.Bypass
                || part instanceof Part.Cap
                || part instanceof Part.Supply;
        return needsAll ? part.pinNames() : List.of();
    }

    private void checkSupply(Part.Supply supply, String at) {
        if (supply.line() == Line.ELV_PLUS && supply.volts().isEmpty()) {
            report(at + "/volts", "nothing", "the volts of ELV+ against ELV-");
        }
        if (supply.line() != Line.PE && supply.circuit().isBlank()) {
            report(
                    at + "/circuit",
                    "nothing",
                    "the circuit that " + supply.line().label() + " belongs to");
        }
        if (supply.line() == Line.L3 && wiring.supply().arrangement() == SupplySystem.Arrangement.SPLIT_PHASE) {
            report(at + "/line", "L3", "L1 or L2: a split-phase supply has no third line");
        }
    }

    private void checkLoad(Part.Load load, String at) {
        if (load.kind().isElv() && load.volts().isEmpty()) {
            report(at + "/volts", "nothing", "the volts of an extra-low-voltage load");
        }
        if (load.motor().isPresent() != load.direction().isPresent()) {
            report(
                    at + (load.motor().isPresent() ? "/direction" : "/motor"),
                    "nothing",
                    "motor and direction together");
        } else if (load.motor().isPresent()
                && !windings.add(List.of(load.motor().get(), load.direction().get()))) {
            report(
                    at + "/direction",
                    "a second " + load.direction().get() + " of motor "
                            + load.motor().get(),
                    "each direction once a motor");
        }
    }

    private void checkChannels(Part.FittedModule module, String at) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < module.channels().size(); i++) {
            if (!seen.add(module.channels().get(i).id())) {
                report(
                        at + "/module/channels/" + i + "/id",
                        "a second channel " + module.channels().get(i).id(),
                        "an id of its own for every channel");
            }
        }
    }

    private void checkInputs(List<Input> inputs, PartId owner, String at) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < inputs.size(); i++) {
            Input input = inputs.get(i);
            String here = at + "/" + i;
            if (!seen.add(input.id())) {
                report(here + "/id", "a second input " + input.id(), "an id of its own for every input");
            }
            if (!input.behaviour().hasContact()) {
                if (input.hasContact()) {
                    report(here + "/behaviour", "SUPPLY_BLINK with a pin", "no pin: the supply itself is read");
                }
            } else if (input.pins().isEmpty()) {
                report(here, "no pin", "a pin with activeWith, or the two pins of a pair contact");
            } else if (input.pins().size() == 1 && input.activeWith().isEmpty()) {
                report(here + "/activeWith", "nothing", "the pin whose potential makes the input active");
            }
            checkCommon(input, owner, here);
            checkCommanded(input, owner, here);
        }
    }

    private void checkCommon(Input input, PartId owner, String at) {
        if (input.commonWith().isEmpty()) {
            return;
        }
        Part part = byId.get(owner);
        List<String> supplyPins = part instanceof Part.FittedModule module
                ? List.of(module.supply().livePin(), module.supply().returnPin())
                : List.of("COM", "L1");
        if (input.pins().size() != 2) {
            report(at + "/commonWith", input.commonWith().get(), "pins of a pair contact beside it");
        } else if (!supplyPins.contains(input.commonWith().get())) {
            report(
                    at + "/commonWith",
                    input.commonWith().get(),
                    "one of the supply pins of its own module: " + String.join(" ", supplyPins));
        }
    }

    private void checkCommanded(Input input, PartId owner, String at) {
        PartId commanded = input.target().orElse(owner);
        Part part = byId.get(commanded);
        if (input.target().isPresent() && !(part instanceof Part.FittedModule)) {
            report(at + "/target", commanded.value(), "the id of a module");
            return;
        }
        Optional<String> channel = input.channel();
        if (channel.isPresent()
                && part instanceof Part.FittedModule module
                && module.channels().stream().noneMatch(c -> c.id().equals(channel.get()))) {
            report(at + "/channel", channel.get(), "a channel of " + commanded);
        }
        if (channel.isPresent() && part instanceof Part.Sender) {
            report(at + "/target", "nothing", "the module that the sender commands");
        }
    }

    private void checkIntent(Intent intent, String at) {
        if (!(byId.get(intent.load()) instanceof Part.Load)) {
            report(at + "/load", intent.load().value(), "the id of a load");
        }
        for (int i = 0; i < intent.controls().size(); i++) {
            Part part = byId.get(intent.controls().get(i));
            if (!(part instanceof Part.Switch control) || !control.mechanism().isTwoState()) {
                report(at + "/controls/" + i, intent.controls().get(i).value(), "the id of a switch that moves");
            }
        }
    }

    private void checkElements() {
        Netlist netlist = new Netlist(wiring);
        for (Region region : netlist.regions()) {
            if (region.elements().length > Wiring.MAX_ELEMENTS) {
                report(
                        "/parts",
                        region.elements().length + " switches and channels in one connected region, from "
                                + region.elements()[0].id(),
                        "at most " + Wiring.MAX_ELEMENTS + " in one region");
            } else if (region.rowCount() * (long) region.width() > Region.MAX_CELLS) {
                report(
                        "/parts",
                        region.elements().length + " switches and channels with " + region.width() + " values a row",
                        "a table of at most " + Region.MAX_CELLS + " values");
            } else if (region.freeNodes() > Region.MAX_FREE_NODES) {
                report(
                        "/parts",
                        region.freeNodes() + " nodes between resistances",
                        "at most " + Region.MAX_FREE_NODES + " in one region");
            }
        }
        for (List<Region> cluster : IntentProof.clusters(netlist)) {
            int elements = cluster.stream().mapToInt(r -> r.elements().length).sum();
            if (cluster.size() > 1 && elements > Wiring.MAX_ELEMENTS) {
                report(
                        "/parts",
                        elements + " switches and channels linked by radio",
                        "at most " + Wiring.MAX_ELEMENTS + " that command each other");
            }
        }
    }

    private void report(String pointer, String found, String expected) {
        problems.add(new WiringProblem(pointer, found, expected));
    }

    private static String escaped(String token) {
        return token.replace("~", "~0").replace("/", "~1");
    }
}
