package org.hiddenclerk.core.wiring.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.DeviceKind;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Shape;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** What is to be drawn inside a box, with the conductors at each port, before anything has its place. */
final class BoxDevices {
    /** Distance of conductors beside each other. */
    static final int GRID = 20;
    /** Width allowed for a letter of words. */
    static final int LETTER = 8;
    /** Letters that the position of a mechanism adds to its words. */
    private static final int POSITION_LETTERS = 4;
    /** Letters that the lamp symbol of a load takes. */
    private static final int SYMBOL_LETTERS = 6;

    private final ConnectedBoxes.Place place;
    private final BoxWiring wiring;
    private final Box box;
    private final Map<Integer, Watts> bypasses;

    /** @param bypasses bypass watts by number of a load that is listed here */
    BoxDevices(ConnectedBoxes.Place place, BoxWiring wiring, Map<Integer, Watts> bypasses) {
        this.place = place;
        this.wiring = wiring;
        this.box = wiring.box();
        this.bypasses = bypasses;
    }

    /** A device that waits for its place: its ports with the conductors attached to each. */
    record Waiting(
            DeviceKind kind,
            String partId,
            String label,
            String detail,
            Shape shape,
            List<List<Mechanism.Contact>> contacts,
            List<String> inputs,
            List<PortWaiting> ports) {
        Waiting(DeviceKind kind, String partId, String label, String detail, List<PortWaiting> ports) {
            this(kind, partId, label, detail, Shape.NONE, List.of(), List.of(), ports);
        }

        int columnsNeeded() {
            int position = kind == DeviceKind.MECHANISM ? POSITION_LETTERS : 0;
            int symbol = kind == DeviceKind.LOAD ? SYMBOL_LETTERS : 0;
            int words = kind == DeviceKind.CAP
                    ? 0
                    : (LETTER * (symbol + Math.max(label.length(), detail.length() + position)) + GRID) / GRID;
            return Math.max(
                    Math.max(minimum(), words),
                    ports.stream()
                            .mapToInt(p -> Math.max(1, p.conductors().size()) + 1)
                            .sum());
        }

        private int minimum() {
            return switch (kind) {
                case MODULE -> 8;
                case MECHANISM, LOAD -> 5;
                case CONNECTOR -> 3;
                case CAP -> 2;
            };
        }
    }

    record PortWaiting(String name, String node, List<String> conductors) {}

    /** On the upper side: mechanisms, and loads that hang in the box. */
    List<Waiting> upper() {
        List<Waiting> row = new ArrayList<>();
        for (Gang gang : box.gangs()) {
            List<PortWaiting> ports = new ArrayList<>();
            for (String terminal : gang.mechanism().terminals()) {
                ports.add(port(terminal, new End.AtMechanism(gang.number(), terminal)));
            }
            if (gang.mechanism() == Mechanism.FIXED_ON) {
                continue;
            }
            row.add(new Waiting(
                    DeviceKind.MECHANISM,
                    RunWiring.switchOf(new ConnectedBoxes.GangRef(place, gang.number()))
                            .value(),
                    gang.name(),
                    gang.mechanism().label(),
                    Shape.NONE,
                    List.of(gang.mechanism().contacts(0), gang.mechanism().contacts(1)),
                    List.of(),
                    ports));
        }
        for (SurveyedLoad load : box.loads()) {
            if (load.hangsHere()) {
                List<PortWaiting> ports = new ArrayList<>();
                for (String terminal : List.of("L", "N", "PE")) {
                    End end = new End.AtLoad(load.number(), terminal);
                    if (!terminal.equals("PE") || wiring.heldAt(end) > 0) {
                        ports.add(port(terminal, end));
                    }
                }
                row.add(new Waiting(
                        DeviceKind.LOAD,
                        RunWiring.loadOf(new ConnectedBoxes.LoadRef(place, load.number()), 0)
                                .value(),
                        load.name(),
                        detailOf(load),
                        Shape.of(load),
                        List.of(),
                        List.of(),
                        ports));
            }
        }
        return row;
    }

    /** A module that no stock book knows, with those of its terminals that hold something; empty where nothing was entered on it. */
    private Optional<Waiting> unknown(SurveyedModule module) {
        List<PortWaiting> ports = wiring.places().stream()
                .filter(end -> end instanceof End.AtModule at && at.module() == module.number())
                .map(end -> port(((End.AtModule) end).terminal(), end))
                .toList();
        return ports.isEmpty()
                ? Optional.empty()
                : Optional.of(new Waiting(DeviceKind.MODULE, "", module.name(), "not in the stock book", ports));
    }

    /** On the lower side: modules between connectors, then ends that are capped or loose. */
    List<Waiting> lower() {
        List<Waiting> row = new ArrayList<>();
        List<Waiting> behind = new ArrayList<>();
        for (End place : wiring.places()) {
            if (place instanceof End.InConnector connector) {
                Waiting waiting =
                        new Waiting(DeviceKind.CONNECTOR, "", connector.name(), "", List.of(port("", connector)));
                (row.size() <= behind.size() ? row : behind).add(waiting);
            }
        }
        wiring.modules().forEach((number, model) -> {
            List<PortWaiting> ports = new ArrayList<>();
            for (Terminal terminal : model.terminals()) {
                ports.add(port(terminal.name(), new End.AtModule(number, terminal.name())));
            }
            row.add(new Waiting(
                    DeviceKind.MODULE,
                    RunWiring.moduleOf(number).value(),
                    model.code(),
                    model.name(),
                    Shape.NONE,
                    List.of(),
                    model.inputs().stream().map(Input::id).toList(),
                    ports));
        });
        box.modules().stream()
                .filter(module -> !wiring.modules().containsKey(module.number()))
                .flatMap(module -> unknown(module).stream())
                .forEach(row::add);
        row.addAll(behind);
        for (Box.CableCore core : box.cores()) {
            End end = wiring.endOf(core);
            if (end instanceof End.Capped || end instanceof End.Loose) {
                row.add(new Waiting(
                        DeviceKind.CAP,
                        "",
                        end.words(),
                        "",
                        List.of(new PortWaiting("", place.prefix() + core.key() + ".end", List.of(core.key())))));
            }
        }
        return row;
    }

    String detailOf(SurveyedLoad load) {
        return load.typed() + (bypassOf(load).map(watts -> " + bypass " + watts).orElse(""));
    }

    private Optional<Watts> bypassOf(SurveyedLoad load) {
        return Optional.ofNullable(bypasses.get(load.number()));
    }

    String node(End end) {
        return place.prefix() + end.key();
    }

    private PortWaiting port(String name, End place) {
        return new PortWaiting(
                name,
                node(place),
                wiring.attachedAt(place).stream()
                        .map(attached -> attached.key() + "@" + place.key())
                        .toList());
    }
}
