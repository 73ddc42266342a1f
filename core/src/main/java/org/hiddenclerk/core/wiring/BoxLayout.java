package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.wiring.BoxDrawing.CableSymbol;
import org.hiddenclerk.core.wiring.BoxDrawing.Device;
import org.hiddenclerk.core.wiring.BoxDrawing.DeviceKind;
import org.hiddenclerk.core.wiring.BoxDrawing.Frame;
import org.hiddenclerk.core.wiring.BoxDrawing.LoadSymbol;
import org.hiddenclerk.core.wiring.BoxDrawing.Point;
import org.hiddenclerk.core.wiring.BoxDrawing.Port;
import org.hiddenclerk.core.wiring.BoxDrawing.Wire;

/**
 * Lays a box out as one routing channel. Mechanisms are on its upper side with columns at even multiples of half a grid
 * step, everything else on its lower side at odd ones, so that no two vertical runs share a column. Every conductor has
 * one horizontal run on a track of its own; {@link Tracks} orders the tracks.
 */
final class BoxLayout {
    private static final int GRID = 20;
    private static final int TRACK = 24;
    private static final int MARGIN = 24;
    private static final int OUTSIDE_LEFT = 108;
    /** Room right of the box up to where a load's words begin. */
    private static final int OUTSIDE_RIGHT = 150;
    /** Width allowed for a letter of a load's words. */
    private static final int LETTER = 8;
    /** Letters that the position of a mechanism adds to its words. */
    private static final int POSITION_LETTERS = 4;
    private static final int MECHANISM_HEIGHT = 66;
    private static final int MODULE_HEIGHT = 88;
    private static final int CONNECTOR_HEIGHT = 30;
    private static final int TOP = 36;
    /** Space between the ports and the nearest track. */
    private static final int CLEARANCE = 30;
    private static final int LABEL_GAP = 46;
    private static final int TAG_INSET = 34;
    private static final int TAG_CLEARANCE = 11;
    private static final int[] TAG_PLACES_PERCENT = {50, 40, 60, 30, 70, 20, 80, 45, 55, 35, 65, 25, 75};

    private final BoxWiring wiring;
    private final HouseContext house;
    private final Box box;
    private final Map<String, int[]> columns = new LinkedHashMap<>();
    private final List<Device> devices = new ArrayList<>();

    BoxLayout(BoxWiring wiring, HouseContext house) {
        this.wiring = wiring;
        this.house = house;
        this.box = wiring.box();
    }

    /** A device that waits for its place: its ports with the conductors attached to each. */
    private record Waiting(DeviceKind kind, String partId, String label, String detail, List<PortWaiting> ports) {
        int columnsNeeded() {
            int position = kind == DeviceKind.MECHANISM ? POSITION_LETTERS : 0;
            int words = kind == DeviceKind.CAP ? 0
                    : (LETTER * Math.max(label.length(), detail.length() + position) + GRID) / GRID;
            return Math.max(Math.max(minimum(), words), ports.stream().mapToInt(p -> Math.max(1, p.conductors().size()) + 1).sum());
        }

        private int minimum() {
            return switch (kind) {
                case MODULE -> 8;
                case MECHANISM -> 5;
                case CONNECTOR -> 3;
                case CAP -> 2;
            };
        }
    }

    private record PortWaiting(String name, String node, List<String> conductors) {
    }

    BoxDrawing drawing() {
        List<Waiting> upper = mechanisms();
        List<Waiting> lower = lowerDevices();
        int gridColumns = Math.max(width(upper), width(lower));
        int left = OUTSIDE_LEFT;
        int boxWidth = (gridColumns + 2) * GRID;
        List<Tracks.Run> runs = runs();
        int upperY = TOP + MECHANISM_HEIGHT + MARGIN / 2;
        place(upper, left, boxWidth, 0, upperY, true);
        place(lower, left, boxWidth, GRID / 2, 0, false);
        Tracks tracks = new Tracks(runs, columns, left, left + boxWidth);
        List<List<Tracks.Run>> ordered = tracks.ordered();
        Map<String, Integer> trackY = new LinkedHashMap<>();
        int y = upperY + CLEARANCE;
        for (List<Tracks.Run> group : ordered) {
            for (Tracks.Run run : group) {
                trackY.put(run.key(), y);
                y += TRACK;
            }
            y += group.get(0).isJumper() ? 0 : Math.max(TRACK / 2, LABEL_GAP - group.size() * TRACK / 2);
        }
        int lowerY = y + CLEARANCE / 2;
        shiftLower(lowerY);
        int height = lowerY + MODULE_HEIGHT + TOP + MARGIN;
        Frame frame = new Frame(left, TOP / 2, boxWidth, height - TOP);
        return new BoxDrawing(left + boxWidth + OUTSIDE_RIGHT + widthOfWords(), height, frame, devices, entries(ordered, trackY, frame),
                wires(runs, trackY, frame, upperY, lowerY), loads(ordered, trackY, frame));
    }

    private int widthOfWords() {
        return LETTER * box.loads().stream().mapToInt(load -> Math.max(load.name().length(), detailOf(load).length()))
                .max().orElse(0);
    }

    private String detailOf(SurveyedLoad load) {
        return load.typed() + (wiring.bypasses().containsKey(load.number())
                ? " + bypass " + wiring.bypasses().get(load.number()) : "");
    }

    private static int width(List<Waiting> row) {
        return row.stream().mapToInt(w -> w.columnsNeeded() + 1).sum();
    }

    private List<Waiting> mechanisms() {
        List<Waiting> row = new ArrayList<>();
        for (Gang gang : box.gangs()) {
            List<PortWaiting> ports = new ArrayList<>();
            for (String terminal : gang.mechanism().terminals()) {
                ports.add(port(terminal, new End.AtMechanism(gang.number(), terminal)));
            }
            row.add(new Waiting(DeviceKind.MECHANISM, Netlisting.switchOf(gang.number()).value(), gang.name(),
                    gang.mechanism().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'), ports));
        }
        return row;
    }

    private List<Waiting> lowerDevices() {
        List<Waiting> row = new ArrayList<>();
        List<Waiting> behind = new ArrayList<>();
        for (End place : wiring.places()) {
            if (place instanceof End.InConnector connector) {
                Waiting waiting = new Waiting(DeviceKind.CONNECTOR, "", connector.name(), "",
                        List.of(port("", connector)));
                (row.size() <= behind.size() ? row : behind).add(waiting);
            }
        }
        for (int m = 1; m <= wiring.modules().size(); m++) {
            List<PortWaiting> ports = new ArrayList<>();
            for (Terminal terminal : wiring.modules().get(m - 1).model().terminals()) {
                ports.add(port(terminal.name(), new End.AtModule(m, terminal.name())));
            }
            row.add(new Waiting(DeviceKind.MODULE, Netlisting.moduleOf(m).value(),
                    wiring.modules().get(m - 1).model().code(), wiring.modules().get(m - 1).model().name(), ports));
        }
        row.addAll(behind);
        for (Box.CableCore core : box.cores()) {
            End end = wiring.endOf(core);
            if (end instanceof End.Capped || end instanceof End.Loose) {
                row.add(new Waiting(DeviceKind.CAP, "", end.words(), "",
                        List.of(new PortWaiting("", core.key() + ".end", List.of(core.key())))));
            }
        }
        return row;
    }

    private PortWaiting port(String name, End place) {
        return new PortWaiting(name, place.key(), wiring.attachedAt(place).stream()
                .map(attached -> attached.key() + "@" + place.key()).toList());
    }

    private void place(List<Waiting> row, int left, int boxWidth, int shift, int portY, boolean upper) {
        int free = boxWidth / GRID - width(row) - 1;
        int gap = row.isEmpty() ? 0 : Math.max(0, free / (row.size() + 1));
        int column = 1 + gap;
        for (Waiting waiting : row) {
            int span = waiting.columnsNeeded();
            int needed = waiting.ports().stream().mapToInt(p -> Math.max(1, p.conductors().size()) + 1).sum();
            int at = column + (span - needed) / 2;
            List<Port> ports = new ArrayList<>();
            for (PortWaiting port : waiting.ports()) {
                int conductors = Math.max(1, port.conductors().size());
                int first = left + shift + at * GRID + GRID / 2;
                for (int i = 0; i < port.conductors().size(); i++) {
                    columns.put(port.conductors().get(i).contains("@") ? port.conductors().get(i)
                            : port.conductors().get(i) + "@end", new int[] {first + i * GRID, upper ? 1 : 0});
                }
                int spread = (conductors - 1) * GRID;
                ports.add(new Port(port.name(), port.node(), first + spread / 2, portY, spread + 16));
                at += conductors + 1;
            }
            int height = upper ? MECHANISM_HEIGHT : waiting.kind() == DeviceKind.MODULE ? MODULE_HEIGHT
                    : CONNECTOR_HEIGHT;
            int top = upper ? portY - height : portY;
            devices.add(new Device(waiting.kind(), waiting.partId(), waiting.label(), waiting.detail(),
                    new Frame(left + shift + column * GRID - GRID / 4, top, span * GRID, height), ports));
            column += span + 1 + gap;
        }
    }

    private void shiftLower(int lowerY) {
        for (int i = 0; i < devices.size(); i++) {
            Device device = devices.get(i);
            if (device.kind() != DeviceKind.MECHANISM) {
                Frame frame = device.frame();
                devices.set(i, new Device(device.kind(), device.partId(), device.label(), device.detail(),
                        new Frame(frame.x(), lowerY, frame.width(), frame.height()), device.ports().stream()
                        .map(p -> new Port(p.name(), p.node(), p.x(), lowerY, p.width())).toList()));
            }
        }
    }

    private List<Tracks.Run> runs() {
        List<Tracks.Run> runs = new ArrayList<>();
        for (Box.CableCore core : box.cores()) {
            runs.add(new Tracks.Run(core.key(), core.cable().name(), isLeft(core.cable()), columnKey(core), ""));
        }
        for (Jumper jumper : wiring.jumpers()) {
            runs.add(new Tracks.Run(jumper.key(), "", false, jumper.key() + "@" + jumper.from().key(),
                    jumper.key() + "@" + jumper.to().key()));
        }
        return runs;
    }

    private String columnKey(Box.CableCore core) {
        End end = wiring.endOf(core);
        return core.key() + "@" + (end instanceof End.Capped || end instanceof End.Loose ? "end" : end.key());
    }

    private static boolean isLeft(Cable cable) {
        return cable.leads() instanceof Leads.FromSupply;
    }

    private List<Wire> wires(List<Tracks.Run> runs, Map<String, Integer> trackY, Frame frame, int upperY, int lowerY) {
        List<Wire> wires = new ArrayList<>();
        Map<String, Tracks.Run> byKey = new LinkedHashMap<>();
        runs.forEach(run -> byKey.put(run.key(), run));
        for (Box.CableCore core : box.cores()) {
            Tracks.Run run = byKey.get(core.key());
            int y = trackY.get(run.key());
            int[] column = columns.get(run.from());
            int outer = run.left() ? frame.x() - TAG_INSET * 2 : frame.x() + frame.width() + TAG_INSET * 2;
            int tagX = run.left() ? frame.x() - TAG_INSET : frame.x() + frame.width() + TAG_INSET;
            End end = wiring.endOf(core);
            String node = end instanceof End.Capped || end instanceof End.Loose ? core.key() + ".end" : end.key();
            wires.add(new Wire(core.key(), core.core().colour(), core.core().colour().letters(), node, core.words()
                    + ", " + core.core().role().label(), new Point(tagX, y), List.of(new Point(outer, y),
                    new Point(column[0], y), new Point(column[0], column[1] == 1 ? upperY : lowerY))));
        }
        for (Jumper jumper : wiring.jumpers()) {
            Tracks.Run run = byKey.get(jumper.key());
            int y = trackY.get(run.key());
            int[] from = columns.get(run.from());
            int[] to = columns.get(run.to());
            wires.add(new Wire(jumper.key(), jumper.colour(), jumper.colour().letters(), jumper.from().key(),
                    "jumper from " + jumper.from().words() + " to " + jumper.to().words(),
                    new Point(tagX(from[0], to[0]), y), List.of(new Point(from[0], from[1] == 1 ? upperY : lowerY),
                    new Point(from[0], y), new Point(to[0], y), new Point(to[0], to[1] == 1 ? upperY : lowerY))));
        }
        return wires;
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

    private List<CableSymbol> entries(List<List<Tracks.Run>> ordered, Map<String, Integer> trackY, Frame frame) {
        List<CableSymbol> entries = new ArrayList<>();
        for (List<Tracks.Run> group : ordered) {
            if (!group.get(0).isJumper()) {
                Cable cable = box.cables().stream().filter(c -> c.name().equals(group.get(0).cable())).findFirst()
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
        return cable.leads() instanceof Leads.ToLoadWithFeed loop ? "feed of circuit "
                + house.label(loop.circuit()) + " is there" : "";
    }

    private List<LoadSymbol> loads(List<List<Tracks.Run>> ordered, Map<String, Integer> trackY, Frame frame) {
        List<LoadSymbol> symbols = new ArrayList<>();
        for (SurveyedLoad load : box.loads()) {
            for (List<Tracks.Run> group : ordered) {
                if (!group.get(0).isJumper() && leadsTo(group.get(0).cable(), load.number())) {
                    int top = trackY.get(group.get(0).key());
                    int bottom = trackY.get(group.get(group.size() - 1).key());
                    List<String> ids = new ArrayList<>();
                    for (int bank = 0; bank < load.banks().size(); bank++) {
                        ids.add(Netlisting.loadOf(load.number(), bank).value());
                    }
                    symbols.add(new LoadSymbol(ids, load.name(), detailOf(load),
                            frame.x() + frame.width() + TAG_INSET * 2 + 48, (top + bottom) / 2));
                    break;
                }
            }
        }
        return symbols;
    }

    private boolean leadsTo(String cableName, int load) {
        Leads leads = box.cables().stream().filter(c -> c.name().equals(cableName)).findFirst().orElseThrow().leads();
        return leads instanceof Leads.ToLoad lamp && lamp.load() == load
                || leads instanceof Leads.ToLoadWithFeed loop && loop.load() == load;
    }
}
