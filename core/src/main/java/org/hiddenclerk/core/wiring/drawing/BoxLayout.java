package org.hiddenclerk.core.wiring.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.drawing.BoxDevices.PortWaiting;
import org.hiddenclerk.core.wiring.drawing.BoxDevices.Waiting;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.CableSymbol;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Change;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Device;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.DeviceKind;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Frame;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.LoadSymbol;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Point;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Port;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Room;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Shape;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Wire;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;

/**
 * Lays a box out as one routing channel, with the {@link BoxDevices} that it has. Mechanisms are on its upper side with columns at even multiples of half a grid
 * step, everything else on its lower side at odd ones, so that no two vertical runs share a column. Every conductor has
 * one horizontal run on a track of its own; {@link Tracks} orders the tracks.
 */
final class BoxLayout {
    private static final int GRID = BoxDevices.GRID;
    private static final int TRACK = 24;
    private static final int MARGIN = 24;
    private static final int OUTSIDE_LEFT = 108;
    /** Room right of the box up to where a load's words begin. */
    private static final int OUTSIDE_RIGHT = 150;

    private static final int MECHANISM_HEIGHT = 92;
    private static final int MODULE_HEIGHT = 104;
    private static final int CONNECTOR_HEIGHT = 30;
    private static final int TOP = 36;
    /** Space between the ports and the nearest track. */
    private static final int CLEARANCE = 30;

    private static final int LABEL_GAP = 46;
    private static final int TAG_INSET = 34;
    private static final int TAG_CLEARANCE = 11;
    private static final int[] TAG_PLACES_PERCENT = {50, 40, 60, 30, 70, 20, 80, 45, 55, 35, 65, 25, 75};

    private final ConnectedBoxes run;
    private final ConnectedBoxes.Place place;
    private final BoxWiring wiring;
    private final BoxWiring other;
    private final Set<String> toLeft;
    private final Set<String> inDrawing;
    private final String label;
    private final HouseContext house;
    private final Box box;
    private final BoxDevices inside;
    private final Map<String, int[]> columns = new LinkedHashMap<>();
    private final List<Device> devices = new ArrayList<>();

    /**
     * @param other   the same box in the other state, to tell what changes
     * @param toLeft  cables between boxes that leave to the left
     * @param inDrawing cables whose other end is in the same drawing
     * @param label   what stands beside the box
     * @param bypasses bypass watts by number of a load that is listed here
     */
    BoxLayout(
            ConnectedBoxes run,
            ConnectedBoxes.Place place,
            BoxWiring wiring,
            BoxWiring other,
            HouseContext house,
            Set<String> toLeft,
            Set<String> inDrawing,
            String label,
            Map<Integer, Watts> bypasses) {
        this.run = run;
        this.place = place;
        this.other = other;
        this.toLeft = toLeft;
        this.inDrawing = inDrawing;
        this.label = label;
        this.wiring = wiring;
        this.house = house;
        this.box = wiring.box();
        inside = new BoxDevices(place, wiring, bypasses);
    }

    BoxDrawing drawing() {
        List<Waiting> upper = inside.upper();
        List<Waiting> lower = inside.lower();
        int gridColumns = Math.max(width(upper), width(lower));
        int left = OUTSIDE_LEFT;
        int boxWidth = (gridColumns + 2) * GRID;
        List<Tracks.Segment> runs = runs();
        int upperY = TOP + MECHANISM_HEIGHT + MARGIN / 2;
        place(upper, left, boxWidth, 0, upperY, true);
        place(lower, left, boxWidth, GRID / 2, 0, false);
        Tracks tracks = new Tracks(runs, columns, left, left + boxWidth);
        List<List<Tracks.Segment>> ordered = tracks.ordered();
        Map<String, Integer> trackY = new LinkedHashMap<>();
        int y = upperY + CLEARANCE;
        for (List<Tracks.Segment> group : ordered) {
            int beyond = Math.max(0, (loadsOf(group.get(0)).size() - 1) * LABEL_GAP - group.size() * TRACK) / 2;
            y += beyond;
            for (Tracks.Segment run : group) {
                trackY.put(run.key(), y);
                y += TRACK;
            }
            y += group.get(0).isJumper() ? 0 : beyond + Math.max(TRACK / 2, LABEL_GAP - group.size() * TRACK / 2);
        }
        int lowerY = y + CLEARANCE / 2;
        shiftLower(lowerY);
        int lowerHeight = wiring.modules().isEmpty() ? CONNECTOR_HEIGHT : MODULE_HEIGHT;
        int height = lowerY + lowerHeight + TOP + MARGIN;
        Frame frame = new Frame(left, TOP / 2, boxWidth, height - TOP);
        return new BoxDrawing(
                left + boxWidth + outsideRight(),
                height,
                List.of(new Room(label, frame)),
                devices,
                entries(ordered, trackY, frame),
                wires(runs, trackY, frame, upperY, lowerY),
                loads(ordered, trackY, frame),
                List.of());
    }

    private int outsideRight() {
        boolean nothingHangsThere =
                box.cables().stream().allMatch(cable -> isLeft(cable) || inDrawing.contains(cable.name()));
        return nothingHangsThere ? OUTSIDE_LEFT : OUTSIDE_RIGHT + widthOfWords();
    }

    private int widthOfWords() {
        return BoxDevices.LETTER
                * box.loads().stream()
                        .mapToInt(load -> Math.max(
                                load.name().length(), inside.detailOf(load).length()))
                        .max()
                        .orElse(0);
    }

    private static int width(List<Waiting> row) {
        return row.stream().mapToInt(w -> w.columnsNeeded() + 1).sum();
    }

    private void place(List<Waiting> row, int left, int boxWidth, int shift, int portY, boolean upper) {
        int free = boxWidth / GRID - width(row) - 1;
        int gap = row.isEmpty() ? 0 : Math.max(0, free / (row.size() + 1));
        int column = 1 + gap;
        for (Waiting waiting : row) {
            int span = waiting.columnsNeeded();
            int needed = waiting.ports().stream()
                    .mapToInt(p -> Math.max(1, p.conductors().size()) + 1)
                    .sum();
            int at = column + (span - needed) / 2;
            List<Port> ports = new ArrayList<>();
            for (PortWaiting port : waiting.ports()) {
                int conductors = Math.max(1, port.conductors().size());
                int first = left + shift + at * GRID + GRID / 2;
                for (int i = 0; i < port.conductors().size(); i++) {
                    columns.put(
                            port.conductors().get(i).contains("@")
                                    ? port.conductors().get(i)
                                    : port.conductors().get(i) + "@end",
                            new int[] {first + i * GRID, upper ? 1 : 0});
                }
                int spread = (conductors - 1) * GRID;
                ports.add(new Port(port.name(), port.node(), first + spread / 2, portY, spread + 16));
                at += conductors + 1;
            }
            int height =
                    upper ? MECHANISM_HEIGHT : waiting.kind() == DeviceKind.MODULE ? MODULE_HEIGHT : CONNECTOR_HEIGHT;
            int top = upper ? portY - height : portY;
            devices.add(new Device(
                    waiting.kind(),
                    waiting.partId(),
                    waiting.label(),
                    waiting.detail(),
                    waiting.shape(),
                    waiting.contacts(),
                    waiting.inputs(),
                    new Frame(left + shift + column * GRID - GRID / 4, top, span * GRID, height),
                    ports));
            column += span + 1 + gap;
        }
    }

    private void shiftLower(int lowerY) {
        for (int i = 0; i < devices.size(); i++) {
            Device device = devices.get(i);
            if (device.kind() != DeviceKind.MECHANISM && device.kind() != DeviceKind.LOAD) {
                Frame frame = device.frame();
                devices.set(
                        i,
                        device.at(
                                new Frame(frame.x(), lowerY, frame.width(), frame.height()),
                                device.ports().stream()
                                        .map(p -> new Port(p.name(), p.node(), p.x(), lowerY, p.width()))
                                        .toList()));
            }
        }
    }

    private List<Tracks.Segment> runs() {
        List<Tracks.Segment> runs = new ArrayList<>();
        for (Box.CableCore core : box.cores()) {
            runs.add(new Tracks.Segment(core.key(), core.cable().name(), isLeft(core.cable()), columnKey(core), ""));
        }
        for (Jumper jumper : wiring.jumpers()) {
            runs.add(new Tracks.Segment(
                    jumper.key(),
                    "",
                    false,
                    jumper.key() + "@" + jumper.from().key(),
                    jumper.key() + "@" + jumper.to().key()));
        }
        return runs;
    }

    private String columnKey(Box.CableCore core) {
        End end = wiring.endOf(core);
        return core.key() + "@" + (end instanceof End.Capped || end instanceof End.Loose ? "end" : end.key());
    }

    private boolean isLeft(Cable cable) {
        return cable.leads() instanceof Leads.FromSupply || toLeft.contains(cable.name());
    }

    private List<Wire> wires(
            List<Tracks.Segment> runs, Map<String, Integer> trackY, Frame frame, int upperY, int lowerY) {
        List<Wire> wires = new ArrayList<>();
        Map<String, Tracks.Segment> byKey = new LinkedHashMap<>();
        runs.forEach(run -> byKey.put(run.key(), run));
        for (Box.CableCore core : box.cores()) {
            Tracks.Segment run = byKey.get(core.key());
            int y = trackY.get(run.key());
            int[] column = columns.get(run.from());
            int outer = run.left() ? frame.x() - TAG_INSET * 2 : frame.x() + frame.width() + TAG_INSET * 2;
            int tagX = run.left() ? frame.x() - TAG_INSET : frame.x() + frame.width() + TAG_INSET;
            End end = wiring.endOf(core);
            String node = end instanceof End.Capped || end instanceof End.Loose
                    ? place.prefix() + core.key() + ".end"
                    : inside.node(end);
            wires.add(new Wire(
                    place.prefix() + core.key(),
                    core.core().colour(),
                    core.core().colour().letters(),
                    node,
                    core.words() + ", " + wiring.roleOf(core).label(),
                    changeOf(core),
                    new Point(tagX, y),
                    List.of(
                            new Point(outer, y),
                            new Point(column[0], y),
                            new Point(column[0], column[1] == 1 ? upperY : lowerY))));
        }
        for (Jumper jumper : wiring.jumpers()) {
            Tracks.Segment run = byKey.get(jumper.key());
            int y = trackY.get(run.key());
            int[] from = columns.get(run.from());
            int[] to = columns.get(run.to());
            wires.add(new Wire(
                    place.prefix() + jumper.key(),
                    jumper.colour(),
                    jumper.colour().letters(),
                    inside.node(jumper.from()),
                    "jumper from " + wiring.words(jumper.from()) + " to " + wiring.words(jumper.to()),
                    other.jumpers().contains(jumper) ? Change.NONE : Change.ADDED,
                    new Point(tagX(from[0], to[0]), y),
                    List.of(
                            new Point(from[0], from[1] == 1 ? upperY : lowerY),
                            new Point(from[0], y),
                            new Point(to[0], y),
                            new Point(to[0], to[1] == 1 ? upperY : lowerY))));
        }
        return wires;
    }

    private Change changeOf(Box.CableCore core) {
        if (wiring.endOf(core).equals(other.endOf(core))) {
            return Change.NONE;
        }
        return wiring.endOf(core) instanceof End.Capped ? Change.CAPPED : Change.MOVED;
    }

    /** A place for a jumper's letters where no other conductor comes up or down, if there is one. */
    private int tagX(int from, int to) {
        for (int percent : TAG_PLACES_PERCENT) {
            int x = from + (to - from) * percent / 100;
            boolean free = columns.values().stream().allMatch(column -> Math.abs(column[0] - x) > TAG_CLEARANCE);
            if (free) {
                return x;
            }
        }
        return (from + to) / 2;
    }

    private List<CableSymbol> entries(List<List<Tracks.Segment>> ordered, Map<String, Integer> trackY, Frame frame) {
        List<CableSymbol> entries = new ArrayList<>();
        for (List<Tracks.Segment> group : ordered) {
            if (!group.get(0).isJumper()) {
                Cable cable = box.cables().stream()
                        .filter(c -> c.name().equals(group.get(0).cable()))
                        .findFirst()
                        .orElseThrow();
                boolean left = isLeft(cable);
                int top = trackY.get(group.get(0).key()) - 8;
                int bottom = trackY.get(group.get(group.size() - 1).key()) + 8;
                int x = left ? frame.x() - TAG_INSET * 2 - 26 : frame.x() + frame.width() + TAG_INSET * 2;
                entries.add(new CableSymbol(cable.name(), labelOf(cable), left, new Frame(x, top, 26, bottom - top)));
            }
        }
        return entries;
    }

    private String labelOf(Cable cable) {
        if (cable.leads() instanceof Leads.FromSupply feed) {
            return "circuit " + house.label(feed.circuit());
        }
        if (cable.leads() instanceof Leads.ToBox) {
            return inDrawing.contains(cable.name()) ? "" : "to another box";
        }
        return cable.leads() instanceof Leads.ToLoadWithFeed loop && !inDrawing.contains(cable.name())
                ? "feed of circuit " + house.label(loop.circuit()) + " is there"
                : "";
    }

    /** Loads at the ends of their cables, each once; those that share a cable one above the other, in the order of their cores. */
    private List<LoadSymbol> loads(List<List<Tracks.Segment>> ordered, Map<String, Integer> trackY, Frame frame) {
        List<LoadSymbol> symbols = new ArrayList<>();
        Set<Integer> drawn = new HashSet<>();
        for (List<Tracks.Segment> group : ordered) {
            List<Integer> loads = loadsOf(group.get(0)).stream()
                    .filter(drawn::add)
                    .sorted(Comparator.comparingInt(load -> heightOf(load, group, trackY)))
                    .toList();
            int middle = (trackY.get(group.get(0).key())
                            + trackY.get(group.get(group.size() - 1).key()))
                    / 2;
            for (int i = 0; i < loads.size(); i++) {
                symbols.add(symbol(box.load(loads.get(i)), frame, middle + (2 * i - loads.size() + 1) * LABEL_GAP / 2));
            }
        }
        return symbols;
    }

    private LoadSymbol symbol(SurveyedLoad load, Frame frame, int y) {
        List<String> ids = new ArrayList<>();
        for (int bank = 0; bank < load.banks().size(); bank++) {
            ids.add(RunWiring.loadOf(run.load(place, load.number()), bank).value());
        }
        return new LoadSymbol(
                ids,
                load.name(),
                inside.detailOf(load),
                Shape.of(load),
                frame.x() + frame.width() + TAG_INSET * 2 + 48,
                y);
    }

    /** Loads that are drawn at the end of a cable. */
    private Set<Integer> loadsOf(Tracks.Segment end) {
        return end.isJumper()
                        || inDrawing.contains(end.cable())
                        || !(cable(end).leads() instanceof Leads.ToPlaceOfLoads lamp)
                ? Set.of()
                : lamp.loads();
    }

    /** Where the core of a load alone runs; with the others where none is. */
    private int heightOf(int load, List<Tracks.Segment> group, Map<String, Integer> trackY) {
        Cable cable = cable(group.get(0));
        Leads.ToPlaceOfLoads lamp = (Leads.ToPlaceOfLoads) cable.leads();
        return cable.cores().stream()
                .filter(core -> core.role() == Role.SWITCHED_LIVE && lamp.loadOf(core.number()) == load)
                .mapToInt(core -> trackY.getOrDefault(cable.coreKey(core), 0))
                .findFirst()
                .orElse(0);
    }

    private Cable cable(Tracks.Segment end) {
        return box.cables().stream()
                .filter(cable -> cable.name().equals(end.cable()))
                .findFirst()
                .orElseThrow();
    }
}
