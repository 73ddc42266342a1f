package org.hiddenclerk.core.wiring.drawing;

import java.util.List;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.HouseContext;

/**
 * Boxes drawn from behind: feeds come in from the left, loads are to the right, mechanisms stand above, modules,
 * connectors and caps below, and every conductor has a track of its own between them. Boxes of a run stand side by side
 * with their cables between them. Coordinates are in user units of the drawing, origin top left.
 */
public record BoxDrawing(
        int width,
        int height,
        List<Room> boxes,
        List<Device> devices,
        List<CableSymbol> cables,
        List<Wire> wires,
        List<LoadSymbol> loads,
        List<Trunk> trunks) {
    public BoxDrawing {
        boxes = List.copyOf(boxes);
        trunks = List.copyOf(trunks);
        devices = List.copyOf(devices);
        cables = List.copyOf(cables);
        wires = List.copyOf(wires);
        loads = List.copyOf(loads);
    }

    /** A rectangle. */
    public record Frame(int x, int y, int width, int height) {
        Frame shifted(int dx, int dy) {
            return new Frame(x + dx, y + dy, width, height);
        }
    }

    /**
     * Outline of a box.
     *
     * @param label what stands beside it; empty where there is one box only
     */
    public record Room(String label, Frame frame) {}

    /** A cable between two boxes: the way of its sheath. */
    public record Trunk(String name, List<Point> points) {
        public Trunk {
            points = List.copyOf(points);
        }
    }

    /** What the plan does to a conductor. */
    public enum Change {
        NONE,
        MOVED,
        ADDED,
        CAPPED
    }

    /** Point of a conductor's way. */
    public record Point(int x, int y) {
        Point shifted(int dx, int dy) {
            return new Point(x + dx, y + dy);
        }
    }

    /** What a device is. */
    public enum DeviceKind {
        MECHANISM,
        LOAD,
        MODULE,
        CONNECTOR,
        CAP
    }

    /**
     * Something with terminals.
     *
     * @param partId id of the part in the wiring; empty for connectors and caps
     * @param shape  how a load is drawn; {@link Shape#NONE} for everything else
     * @param contacts what a mechanism joins in positions 0 and 1; empty for everything else
     * @param inputs   switch inputs of a module; empty for everything else
     */
    public record Device(
            DeviceKind kind,
            String partId,
            String label,
            String detail,
            Shape shape,
            List<List<Mechanism.Contact>> contacts,
            List<String> inputs,
            Frame frame,
            List<Port> ports) {
        public Device {
            contacts = List.copyOf(contacts);
            inputs = List.copyOf(inputs);
            ports = List.copyOf(ports);
        }

        Device at(Frame elsewhere, List<Port> moved) {
            return new Device(kind, partId, label, detail, shape, contacts, inputs, elsewhere, moved);
        }
    }

    /** Circuit symbols of loads, as in IEC 60617. */
    public enum Shape {
        NONE,
        LAMP,
        HEATER,
        MOTOR,
        SOCKET,
        COIL;

        static Shape of(SurveyedLoad load) {
            return switch (load.banks().get(0).kind()) {
                case MOTOR, BLIND_MOTOR -> MOTOR;
                case HEATER, RESISTIVE -> HEATER;
                case SOCKET -> SOCKET;
                case COIL, DOOR_INPUT -> COIL;
                default -> LAMP;
            };
        }
    }

    /**
     * A terminal.
     *
     * @param node  node in the wiring
     * @param width width of the ring, wider where several conductors meet
     */
    public record Port(String name, String node, int x, int y, int width) {}

    /** Where a cable enters or leaves. */
    public record CableSymbol(String name, String label, boolean left, Frame frame) {}

    /**
     * A core or jumper.
     *
     * @param node   node in the wiring that it belongs to
     * @param change what the plan does to it
     */
    public record Wire(
            String key,
            CoreColour colour,
            String letters,
            String node,
            String words,
            Change change,
            Point tag,
            List<Point> points) {
        public Wire {
            points = List.copyOf(points);
        }
    }

    /** A load with the ids of its parts in the wiring. */
    public record LoadSymbol(List<String> partIds, String label, String detail, Shape shape, int x, int y) {
        public LoadSymbol {
            partIds = List.copyOf(partIds);
        }
    }

    /** A run as found or as planned; the lead, other boxes, and lamps at which there is something to do. */
    public static BoxDrawing of(WiringPlan plan, boolean planned, HouseContext house) {
        return new RunLayout(plan, planned, house).drawing();
    }

    /** The same drawing somewhere else. */
    BoxDrawing shifted(int dx, int dy) {
        return new BoxDrawing(
                width + dx,
                height + dy,
                boxes.stream()
                        .map(b -> new Room(b.label(), b.frame().shifted(dx, dy)))
                        .toList(),
                devices.stream()
                        .map(d -> d.at(
                                d.frame().shifted(dx, dy),
                                d.ports().stream()
                                        .map(p -> new Port(p.name(), p.node(), p.x() + dx, p.y() + dy, p.width()))
                                        .toList()))
                        .toList(),
                cables.stream()
                        .map(c -> new CableSymbol(
                                c.name(), c.label(), c.left(), c.frame().shifted(dx, dy)))
                        .toList(),
                wires.stream()
                        .map(w -> new Wire(
                                w.key(),
                                w.colour(),
                                w.letters(),
                                w.node(),
                                w.words(),
                                w.change(),
                                w.tag().shifted(dx, dy),
                                w.points().stream().map(p -> p.shifted(dx, dy)).toList()))
                        .toList(),
                loads.stream()
                        .map(l -> new LoadSymbol(l.partIds(), l.label(), l.detail(), l.shape(), l.x() + dx, l.y() + dy))
                        .toList(),
                trunks.stream()
                        .map(t -> new Trunk(
                                t.name(),
                                t.points().stream().map(p -> p.shifted(dx, dy)).toList()))
                        .toList());
    }
}
