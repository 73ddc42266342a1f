package org.hiddenclerk.core.wiring.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.quantity.Volts;

/**
 * The electrical wiring of a run, ready to be proved.
 *
 * <p>Part ids: {@code S1} the mechanism of gang 1, {@code K1} the first module of a plan, {@code K101} the first that was there before, {@code X1} the first load ({@code X1.2}
 * its second bank), {@code B1} a bypass, {@code F/N-circuit} the supplies, conductors and jumpers by their keys; all with
 * the prefix of their place.
 */
public final class Netlisting {
    /** Of a strip whose volts nobody stated; common practice, no source. */
    private static final double USUAL_STRIP_VOLTS = 24;

    private final RunWiring wiring;
    private final HouseContext house;
    private final List<Part> parts = new ArrayList<>();
    private final Map<PartId, String> names = new LinkedHashMap<>();
    private final Set<String> supplied = new LinkedHashSet<>();

    public Netlisting(RunWiring wiring, HouseContext house) {
        this.wiring = wiring;
        this.house = house;
    }

    public Wiring wiring() {
        wiring.boxes().forEach((place, box) -> {
            for (Box.CableCore core : box.box().cores()) {
                if (core.cable().leads() instanceof Leads.FromSupply feed) {
                    addFeedCore(place, box, core, feed);
                } else if (wiring.run().spanOf(place, core.cable()).isEmpty()) {
                    addLostCore(place, box, core);
                }
            }
            box.jumpers().forEach(jumper -> addJumper(place, jumper));
        });
        wiring.run().spans().forEach(this::addSpan);
        wiring.boxes().forEach((place, box) -> box.box().gangs().forEach(gang -> addGang(place, gang)));
        wiring.run().loads().forEach(this::addLoad);
        wiring.left().forEach(this::addModule);
        wiring.fitted().forEach(this::addModule);
        wiring.boxes().forEach((place, box) -> box.bypasses()
                .forEach((load, watts) -> parts.add(new Part.Bypass(
                        new PartId(place.owner() + "B" + load),
                        watts.asDouble(),
                        pins(
                                "a",
                                node(place, new End.AtLoad(load, "L")),
                                "b",
                                node(place, new End.AtLoad(load, "N")))))));
        return new Wiring(house.region().supplySystem(), parts, wiring.intents(), names);
    }

    private void addFeedCore(ConnectedBoxes.Place place, BoxWiring box, Box.CableCore core, Leads.FromSupply feed) {
        String id = place.prefix() + core.key();
        Optional<NodeId> supply = supply(feed.circuit(), core.core().role());
        NodeId far = supply.orElseGet(() -> new NodeId(id + ".far"));
        NodeId near = wiring.nodeOf(place, core);
        parts.add(conductor(id, place, core, far, near));
        capIf(supply.isEmpty() && core.core().role() == Role.SPARE, id + ".far-cap", far);
        capIf(box.endOf(core) instanceof End.Capped, id + ".cap", near);
    }

    /** A cable whose other end is not known: its cores end there, and what they do is not told by their roles. */
    private void addLostCore(ConnectedBoxes.Place place, BoxWiring box, Box.CableCore core) {
        String id = place.prefix() + core.key();
        NodeId near = wiring.nodeOf(place, core);
        NodeId far = new NodeId(id + ".far");
        parts.add(conductor(id, place, core, far, near));
        parts.add(new Part.Cap(new PartId(id + ".far-cap"), pins("end", far)));
        capIf(box.endOf(core) instanceof End.Capped, id + ".cap", near);
    }

    private void addSpan(ConnectedBoxes.Span span) {
        for (Core core : span.atA().cores()) {
            Optional<Core> twin = span.twin(core);
            String id = span.conductor(core);
            Box.CableCore here = new Box.CableCore(span.atA(), core);
            NodeId near = wiring.nodeOf(span.a(), here);
            NodeId far = twin.map(t -> wiring.nodeOf(span.b(), new Box.CableCore(span.atB(), t)))
                    .orElseGet(() -> new NodeId(id + ".far"));
            parts.add(conductor(id, span.a(), here, far, near));
            capIf(wiring.at(span.a()).endOf(here) instanceof End.Capped, id + ".cap", near);
            capIf(
                    twin.isEmpty()
                            || wiring.at(span.b()).endOf(new Box.CableCore(span.atB(), twin.get()))
                                    instanceof End.Capped,
                    id + ".far-cap",
                    far);
        }
    }

    private static Part conductor(String id, ConnectedBoxes.Place place, Box.CableCore core, NodeId far, NodeId near) {
        String cable = core.cable().name() + (place.prefix().isEmpty() ? "" : " at " + place.label());
        return new Part.Conductor(
                new PartId(id),
                cable,
                core.core().colour().words(),
                OptionalDouble.of(core.cable().mm2().doubleValue()),
                pins("a", far, "b", near));
    }

    private void capIf(boolean capped, String id, NodeId node) {
        if (capped) {
            parts.add(new Part.Cap(new PartId(id), pins("end", node)));
        }
    }

    /** The supply that a core of a feed brings; none for a core that no feed has. */
    private Optional<NodeId> supply(CircuitId id, Role role) {
        Circuit circuit = circuitOf(id);
        Optional<Line> line =
                switch (role) {
                    case PERMANENT_LIVE, ELV_PLUS -> Optional.of(circuit.phase());
                    case NEUTRAL, ELV_MINUS -> Optional.of(circuit.isElv() ? Line.ELV_MINUS : Line.N);
                    case EARTH -> Optional.of(Line.PE);
                    case SWITCHED_LIVE, TRAVELLER, CONTROL, SPARE -> Optional.empty();
                };
        return line.map(l -> supply(circuit, l));
    }

    private NodeId supply(Circuit circuit, Line line) {
        String id =
                switch (line) {
                    case PE -> "PE";
                    case N, ELV_MINUS -> "N-" + circuit.label();
                    case L1, L2, L3, ELV_PLUS -> "F-" + circuit.label();
                };
        NodeId node = new NodeId("board." + id);
        if (supplied.add(id)) {
            boolean feeds = line.isLive() || line == Line.ELV_PLUS;
            parts.add(new Part.Supply(
                    new PartId(id),
                    line,
                    line == Line.PE ? "" : circuit.label(),
                    feeds ? OptionalDouble.of(circuit.rating().asDouble()) : OptionalDouble.empty(),
                    line == Line.ELV_PLUS
                            ? OptionalDouble.of(
                                    circuit.elvVolts().map(Volts::asDouble).orElseThrow())
                            : OptionalDouble.empty(),
                    pins("out", node)));
        }
        return node;
    }

    private Circuit circuitOf(CircuitId id) {
        Circuit circuit = house.circuits().get(id);
        if (circuit == null) {
            throw new IllegalArgumentException("Circuit " + id + " is not in the job.");
        }
        return circuit;
    }

    private void addJumper(ConnectedBoxes.Place place, Jumper jumper) {
        parts.add(new Part.Conductor(
                new PartId(place.prefix() + jumper.key()),
                place.prefix() + "box",
                jumper.colour().words(),
                OptionalDouble.empty(),
                pins("a", node(place, jumper.from()), "b", node(place, jumper.to()))));
    }

    private void addGang(ConnectedBoxes.Place place, Gang gang) {
        Map<String, NodeId> pins = new LinkedHashMap<>();
        for (String terminal : gang.mechanism().terminals()) {
            pins.put(terminal, node(place, new End.AtMechanism(gang.number(), terminal)));
        }
        PartId id = RunWiring.switchOf(new ConnectedBoxes.GangRef(place, gang.number()));
        names.put(id, gang.name());
        parts.add(new Part.Switch(id, gang.mechanism(), pins));
    }

    private void addLoad(ConnectedBoxes.LoadRef ref) {
        for (int bank = 0; bank < ref.load().banks().size(); bank++) {
            LoadBank one = ref.load().banks().get(bank);
            PartId id = RunWiring.loadOf(ref, bank);
            names.put(id, ref.load().name());
            boolean earthed = one.kind() == LoadKind.SOCKET;
            // A load to which an earth core goes has an earth terminal; whether that is on earth is for the proof to
            // say.
            boolean hasEarth =
                    earthed || wiring.at(ref.place()).ends().containsValue(new End.AtLoad(ref.number(), "PE"));
            Map<String, NodeId> pins = new LinkedHashMap<>();
            for (String pin : hasEarth ? List.of("L", "N", "PE") : List.of("L", "N")) {
                pins.put(pin, node(ref.place(), new End.AtLoad(ref.number(), pin)));
            }
            parts.add(new Part.Load(
                    id,
                    one.kind(),
                    one.total().asDouble(),
                    one.powerFactor().doubleValue(),
                    voltsOf(ref, one),
                    ref.load().drive().map(drive -> drive.motor()),
                    ref.load().drive().map(drive -> drive.direction().name()),
                    earthed,
                    pins));
        }
    }

    /** Its own volts where they are stated; a strip is never made for mains, whatever hangs before it. */
    private OptionalDouble voltsOf(ConnectedBoxes.LoadRef ref, LoadBank bank) {
        Optional<Circuit> circuit = circuitAt(ref);
        if (bank.volts().isPresent()) {
            return OptionalDouble.of(bank.volts().get().asDouble());
        }
        if (bank.kind().isElv() && !(circuit.isPresent() && circuit.get().isElv())) {
            return OptionalDouble.of(USUAL_STRIP_VOLTS);
        }
        return circuit.isPresent() && circuit.get().isElv()
                ? OptionalDouble.of(
                        circuit.get().elvVolts().map(Volts::asDouble).orElseThrow())
                : OptionalDouble.empty();
    }

    /** The circuit that feeds a load: that of its gang, else of a cable at its place. */
    private Optional<Circuit> circuitAt(ConnectedBoxes.LoadRef ref) {
        Optional<CircuitId> feed = ref.place().box().cables().stream()
                .map(c -> c.leads())
                .filter(Leads.FromSupply.class::isInstance)
                .map(l -> ((Leads.FromSupply) l).circuit())
                .filter(c -> circuitOf(c).isElv())
                .findFirst();
        return feed.or(() ->
                        wiring.run().gangNamedFor(ref).map(gang -> gang.gang().circuit()))
                .or(this::onlyCircuit)
                .map(this::circuitOf);
    }

    private Optional<CircuitId> onlyCircuit() {
        Set<CircuitId> feeds = wiring.run().circuits();
        return feeds.size() == 1 ? Optional.of(feeds.iterator().next()) : Optional.empty();
    }

    private void addModule(Fitted fitted) {
        ModuleModel model = fitted.model();
        PartId id = RunWiring.moduleOf(fitted.number());
        names.put(id, model.code() + numbered(fitted));
        Part bare = model.isSender()
                ? new Part.Sender(id, fitted.inputs(), Map.of())
                : new Part.FittedModule(
                        id, model.supply(), model.channels(), fitted.inputs(), model.interlocked(), Map.of());
        Map<String, NodeId> pins = new LinkedHashMap<>();
        for (String pin : bare.pinNames()) {
            pins.put(pin, node(fitted.place(), new End.AtModule(fitted.number(), pin)));
        }
        parts.add(
                bare instanceof Part.FittedModule module
                        ? module.connected(pins)
                        : new Part.Sender(id, fitted.inputs(), pins));
    }

    /** Only where more than one is planned has its number to be told. */
    private String numbered(Fitted fitted) {
        if (fitted.inPlace()) {
            return " in " + fitted.place().label();
        }
        return wiring.fitted().size() > 1 ? " (module " + fitted.number() + ")" : "";
    }

    private static NodeId node(ConnectedBoxes.Place place, End end) {
        return RunWiring.node(place, end);
    }

    private static Map<String, NodeId> pins(String first, NodeId firstNode) {
        return Map.of(first, firstNode);
    }

    private static Map<String, NodeId> pins(String first, NodeId firstNode, String second, NodeId secondNode) {
        Map<String, NodeId> pins = new LinkedHashMap<>();
        pins.put(first, firstNode);
        pins.put(second, secondNode);
        return pins;
    }
}
