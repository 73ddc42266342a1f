package org.hiddenclerk.core.electrical.solving;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.finding.SwitchingState;

/**
 * One connected region as flat arrays, ready to be solved row by row.
 *
 * <p>A row number holds the state of all two-state elements as bits, the first element being the most significant.
 * Switches come before channels, both in the order of the wiring. What is joined in every state (conductors, links,
 * fixed contacts) is merged beforehand, so that a row only joins what its elements close.
 */
public final class Region {
    /** Values (rows x resistances, modules and inputs) that a table may hold: bounds the memory of one request. */
    public static final int MAX_CELLS = 24_000_000;
    /** Nodes that may hang between resistances in one region: bounds the time of one row. */
    public static final int MAX_FREE_NODES = 600;

    /** What a resistance belongs to. */
    public enum ResistorKind {
        LOAD,
        BYPASS,
        SUPPLY
    }

    /** A resistance between two nodes. */
    public record Resistor(ResistorKind kind, Part part, int a, int b, double ohms, double nominalVolts) {}

    /** A switch or a channel. {@code joins[position]} lists node pairs; {@code between} is empty: all open. */
    public record Element(String id, Part part, int channelIndex, int[][] joins) {
        public boolean isSwitch() {
            return channelIndex < 0;
        }

        public Mechanism mechanism() {
            return ((Part.Switch) part).mechanism();
        }
    }

    /** A supply on its node, with its potential against earth as a phasor. */
    public record Source(Part.Supply supply, int node, double re, double im) {}

    /** A module or sender: where its supply pins are, and which elements are its own channels. */
    public record Device(Part part, int live, int back, int ownChannels, int resistor) {
        public boolean isSender() {
            return part instanceof Part.Sender;
        }

        public List<Input> inputs() {
            return part instanceof Part.FittedModule module ? module.inputs() : ((Part.Sender) part).inputs();
        }
    }

    /**
     * An input with a contact: its pins, the node it is compared with (-1 for a pair contact), the supply pin that
     * is one of a pair's (or -1).
     */
    public record InputPin(int device, Input input, int pin, int other, int activeWith, int common) {}

    /** A conductor end that nothing else touches and no cap covers. */
    public record OpenEnd(Part.Conductor conductor, String end, int node) {}

    private final Wiring wiring;
    private final List<Part> parts;
    private final Map<Part, Map<String, Integer>> pins;
    private final int[] nodeNumbers;
    private final Map<Integer, Integer> local = new HashMap<>();
    private final List<NodeId> nodeIds = new ArrayList<>();
    private final Sets fixed;
    private final Element[] elements;
    private final Resistor[] resistors;
    private final Source[] sources;
    private final Device[] devices;
    private final InputPin[] inputPins;
    private final OpenEnd[] openEnds;
    private final int[] interlocks;
    private final int freeNodes;

    Region(Wiring wiring, List<Part> parts, Map<Part, Map<String, Integer>> pins, List<NodeId> allNodes) {
        this.wiring = wiring;
        this.parts = List.copyOf(parts);
        this.pins = pins;
        for (Part part : parts) {
            for (int node : pins.get(part).values()) {
                if (local.putIfAbsent(node, nodeIds.size()) == null) {
                    nodeIds.add(allNodes.get(node));
                }
            }
        }
        nodeNumbers = new int[nodeIds.size()];
        fixed = new Sets(nodeIds.size());
        joinFixed();
        elements = collectElements();
        resistors = collectResistors();
        sources = collectSources();
        devices = collectDevices();
        inputPins = collectInputs();
        openEnds = collectOpenEnds();
        interlocks = collectInterlocks();
        freeNodes = countFreeNodes();
    }

    public Wiring wiring() {
        return wiring;
    }

    /** What people call a part; its id where it has no name. */
    public String called(Part part) {
        return wiring.nameOf(part.id());
    }

    /** What people call a switch or a contact. */
    public String called(Element element) {
        return element.isSwitch()
                ? called(element.part())
                : called(
                        element.part(),
                        "channel",
                        ((Part.FittedModule) element.part())
                                .channels()
                                .get(element.channelIndex())
                                .id());
    }

    /** What people call an input. */
    public String called(InputPin input) {
        return called(devices[input.device()].part(), "input", input.input().id());
    }

    private String called(Part part, String what, String own) {
        String name = wiring.names().get(part.id());
        return name == null ? part.id() + (what.equals("channel") ? "/" : ".") + own : name + " " + what + " " + own;
    }

    /** A switch or contact, where a finding concerns it. */
    public static Subject subjectOf(Element element) {
        return element.isSwitch()
                ? element.part().subject()
                : ((Part.FittedModule) element.part())
                        .subjectOf(
                                ((Part.FittedModule) element.part()).channels().get(element.channelIndex()));
    }

    /** An input, where a finding concerns it. */
    public Subject subjectOf(InputPin input) {
        return new Subject.Input(
                devices[input.device()].part().id().value(), input.input().id());
    }

    public List<Part> parts() {
        return parts;
    }

    public Element[] elements() {
        return elements;
    }

    public Resistor[] resistors() {
        return resistors;
    }

    public Source[] sources() {
        return sources;
    }

    public Device[] devices() {
        return devices;
    }

    public InputPin[] inputPins() {
        return inputPins;
    }

    public OpenEnd[] openEnds() {
        return openEnds;
    }

    public Sets fixedJoins() {
        return fixed;
    }

    public int nodeCount() {
        return nodeNumbers.length;
    }

    public NodeId nodeId(int node) {
        return nodeIds.get(node);
    }

    public int freeNodes() {
        return freeNodes;
    }

    public int rowCount() {
        return 1 << elements.length;
    }

    /** Values that a row stores. */
    public int width() {
        return resistors.length + devices.length + inputPins.length + 1;
    }

    /** Bit of an element within a row number. */
    public int bit(int element) {
        return 1 << elements.length - 1 - element;
    }

    public int node(Part part, String pin) {
        Integer number = pins.get(part).get(pin);
        return number == null ? -1 : local.get(number);
    }

    /** Whether an interlock keeps the row from ever happening. */
    public boolean isExcluded(int row) {
        for (int channels : interlocks) {
            if (Integer.bitCount(row & channels) > 1) {
                return true;
            }
        }
        return false;
    }

    /** Whether the region says anything when nothing in it can move. */
    boolean hasSomethingToShow() {
        return elements.length > 0 || devices.length > 0 || resistors.length > 0;
    }

    public SwitchingState state(int row) {
        Map<String, Integer> switches = new LinkedHashMap<>();
        Map<String, Integer> channels = new LinkedHashMap<>();
        for (int i = 0; i < elements.length; i++) {
            int position = (row & bit(i)) != 0 ? 1 : 0;
            (elements[i].isSwitch() ? switches : channels).put(elements[i].id(), position);
        }
        return new SwitchingState(switches, channels);
    }

    private void joinFixed() {
        for (Part part : parts) {
            if (part instanceof Part.Conductor || part instanceof Part.Link) {
                fixed.join(node(part, "a"), node(part, "b"));
            } else if (part instanceof Part.Sender
                    || part instanceof Part.Switch mechanism
                            && !mechanism.mechanism().isTwoState()) {
                fixed.join(node(part, "COM"), node(part, "L1"));
            }
        }
    }

    private Element[] collectElements() {
        List<Element> found = new ArrayList<>();
        for (Part part : parts) {
            if (part instanceof Part.Switch mechanism && mechanism.mechanism().isTwoState()) {
                found.add(new Element(
                        part.id().value(), part, -1, new int[][] {nodePairs(mechanism, 0), nodePairs(mechanism, 1)}));
            }
        }
        for (Part part : parts) {
            if (part instanceof Part.FittedModule module) {
                for (int i = 0; i < module.channels().size(); i++) {
                    Channel channel = module.channels().get(i);
                    found.add(new Element(part.id() + "/" + channel.id(), part, i, new int[][] {
                        {}, {node(part, channel.from()), node(part, channel.to())}
                    }));
                }
            }
        }
        return found.toArray(Element[]::new);
    }

    private int[] nodePairs(Part.Switch mechanism, int position) {
        List<Mechanism.Contact> contacts = mechanism.mechanism().contacts(position);
        int[] pairs = new int[contacts.size() * 2];
        for (int i = 0; i < contacts.size(); i++) {
            pairs[2 * i] = node(mechanism, contacts.get(i).from());
            pairs[2 * i + 1] = node(mechanism, contacts.get(i).to());
        }
        return pairs;
    }

    private Resistor[] collectResistors() {
        double nominal = wiring.supply().nominalVolts();
        List<Resistor> found = new ArrayList<>();
        for (Part part : parts) {
            if (part instanceof Part.Load load) {
                double volts = load.volts().orElse(nominal);
                found.add(new Resistor(
                        ResistorKind.LOAD,
                        load,
                        node(load, "L"),
                        node(load, "N"),
                        volts * volts / load.watts(),
                        volts));
            } else if (part instanceof Part.Bypass bypass) {
                found.add(new Resistor(
                        ResistorKind.BYPASS,
                        bypass,
                        node(bypass, "a"),
                        node(bypass, "b"),
                        nominal * nominal / bypass.watts(),
                        nominal));
            } else if (part instanceof Part.FittedModule module) {
                found.add(new Resistor(
                        ResistorKind.SUPPLY,
                        module,
                        node(module, module.supply().livePin()),
                        node(module, module.supply().returnPin()),
                        module.supply().ohms(nominal),
                        nominal));
            }
        }
        return found.toArray(Resistor[]::new);
    }

    private Source[] collectSources() {
        List<Source> found = new ArrayList<>();
        for (Part part : parts) {
            if (part instanceof Part.Supply supply) {
                double magnitude =
                        switch (supply.line()) {
                            case L1, L2, L3 -> wiring.supply().nominalVolts();
                            case ELV_PLUS -> supply.volts().orElseThrow();
                            case N, PE, ELV_MINUS -> 0;
                        };
                double angle = Math.toRadians(wiring.supply().degrees(supply.line()));
                found.add(new Source(
                        supply, node(supply, "out"), magnitude * Math.cos(angle), magnitude * Math.sin(angle)));
            }
        }
        return found.toArray(Source[]::new);
    }

    private Device[] collectDevices() {
        List<Device> found = new ArrayList<>();
        for (Part part : parts) {
            if (part instanceof Part.FittedModule module) {
                int own = 0;
                for (int i = 0; i < elements.length; i++) {
                    own |= elements[i].part() == part ? bit(i) : 0;
                }
                found.add(new Device(
                        part,
                        node(part, module.supply().livePin()),
                        node(part, module.supply().returnPin()),
                        own,
                        resistorOf(part)));
            } else if (part instanceof Part.Sender) {
                found.add(new Device(part, node(part, "COM"), node(part, "COM"), 0, -1));
            }
        }
        return found.toArray(Device[]::new);
    }

    private int resistorOf(Part part) {
        for (int i = 0; i < resistors.length; i++) {
            if (resistors[i].part() == part) {
                return i;
            }
        }
        throw new IllegalStateException("Impossible state: module " + part.id() + " has no supply resistance.");
    }

    private InputPin[] collectInputs() {
        List<InputPin> found = new ArrayList<>();
        for (int d = 0; d < devices.length; d++) {
            Part part = devices[d].part();
            for (Input input : devices[d].inputs()) {
                if (input.hasContact()) {
                    int other =
                            input.pins().size() > 1 ? node(part, input.pins().get(1)) : -1;
                    int activeWith =
                            other >= 0 ? -1 : node(part, input.activeWith().orElseThrow());
                    int common = input.commonWith().map(pin -> node(part, pin)).orElse(-1);
                    found.add(new InputPin(d, input, node(part, input.pins().get(0)), other, activeWith, common));
                }
            }
        }
        return found.toArray(InputPin[]::new);
    }

    private OpenEnd[] collectOpenEnds() {
        int[] touches = new int[nodeCount()];
        for (Part part : parts) {
            pins.get(part).values().forEach(node -> touches[local.get(node)]++);
        }
        List<OpenEnd> found = new ArrayList<>();
        for (Part part : parts) {
            if (part instanceof Part.Conductor conductor) {
                for (String end : conductor.pinNames()) {
                    int node = node(conductor, end);
                    if (touches[node] == 1) {
                        found.add(new OpenEnd(conductor, end, node));
                    }
                }
            }
        }
        return found.toArray(OpenEnd[]::new);
    }

    /** Pins of parts other than {@code own} and caps that touch the node. */
    public boolean isShared(int node, Part own) {
        for (Part part : parts) {
            if (part != own && !(part instanceof Part.Cap)) {
                for (int number : pins.get(part).values()) {
                    if (local.get(number) == node) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    private int[] collectInterlocks() {
        return java.util.Arrays.stream(devices)
                .filter(d -> d.part() instanceof Part.FittedModule module && module.interlocked())
                .mapToInt(Device::ownChannels)
                .toArray();
    }

    private int countFreeNodes() {
        boolean[] held = new boolean[nodeCount()];
        for (Source source : sources) {
            held[fixed.find(source.node())] = true;
        }
        boolean[] free = new boolean[nodeCount()];
        for (Resistor resistor : resistors) {
            free[fixed.find(resistor.a())] = true;
            free[fixed.find(resistor.b())] = true;
        }
        int count = 0;
        for (int i = 0; i < free.length; i++) {
            count += free[i] && !held[i] ? 1 : 0;
        }
        return count;
    }
}
