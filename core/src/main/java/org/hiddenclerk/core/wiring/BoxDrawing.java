package org.hiddenclerk.core.wiring;

import java.util.List;
import org.hiddenclerk.core.job.CoreColour;

/**
 * A box drawn from behind: feeds come in from the left, loads are to the right, mechanisms stand above, modules,
 * connectors and caps below, and every conductor has a track of its own between them. Coordinates are in user units of
 * the drawing, origin top left.
 */
public record BoxDrawing(int width, int height, Frame box, List<Device> devices, List<CableSymbol> cables,
                         List<Wire> wires, List<LoadSymbol> loads) {
    public BoxDrawing {
        devices = List.copyOf(devices);
        cables = List.copyOf(cables);
        wires = List.copyOf(wires);
        loads = List.copyOf(loads);
    }

    /** A rectangle. */
    public record Frame(int x, int y, int width, int height) {
    }

    /** Point of a conductor's way. */
    public record Point(int x, int y) {
    }

    /** What a device is. */
    public enum DeviceKind { MECHANISM, MODULE, CONNECTOR, CAP }

    /**
     * Something with terminals.
     *
     * @param partId id of the part in the wiring; empty for connectors and caps
     */
    public record Device(DeviceKind kind, String partId, String label, String detail, Frame frame, List<Port> ports) {
        public Device {
            ports = List.copyOf(ports);
        }
    }

    /**
     * A terminal.
     *
     * @param node  node in the wiring
     * @param width width of the ring, wider where several conductors meet
     */
    public record Port(String name, String node, int x, int y, int width) {
    }

    /** Where a cable enters or leaves. */
    public record CableSymbol(String name, String label, boolean left, Frame frame) {
    }

    /**
     * A core or jumper.
     *
     * @param node node in the wiring that it belongs to
     */
    public record Wire(String key, CoreColour colour, String letters, String node, String words, Point tag,
                       List<Point> points) {
        public Wire {
            points = List.copyOf(points);
        }
    }

    /** A load with the ids of its parts in the wiring. */
    public record LoadSymbol(List<String> partIds, String label, String detail, int x, int y) {
        public LoadSymbol {
            partIds = List.copyOf(partIds);
        }
    }

    public static BoxDrawing of(BoxWiring wiring, HouseContext house) {
        return new BoxLayout(wiring, house).drawing();
    }
}
