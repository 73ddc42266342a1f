package org.hiddenclerk.app.stage.papers;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.stage.papers.Canvas.Anchor;
import org.hiddenclerk.app.stage.papers.Canvas.Hand;
import org.hiddenclerk.app.stage.papers.Canvas.Pen;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Change;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Device;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Frame;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Point;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Shape;

/**
 * A drawing of a run, as the sheet Draw shows it at rest. On paper conductors are black and carry their letters;
 * alone they have their colours too.
 */
final class RunDrawing implements Drawing {
    private static final String BODY = "#f3f1ec";
    private static final String SPARE_EDGE = "#9a958c";
    private static final double CORNER = 6;
    private static final double TRUNK_CORNER = 10;
    private static final double LOAD_RADIUS = 15;
    private static final double CROSS = LOAD_RADIUS * Math.sqrt(0.5);
    private static final int LIFT = 11;
    /** Room above and below a box that is shown alone. */
    private static final int BESIDE = 12;

    private static final double EDGE = 1.6;
    private static final double LINE = 1.8;

    private final BoxDrawing drawing;
    private final Ink ink;
    private final String title;
    private final int top;
    private final int height;

    /** What carries the colour of a conductor. */
    enum Ink {
        CODES,
        COLOURS
    }

    RunDrawing(BoxDrawing drawing, Ink ink, String title) {
        this.drawing = drawing;
        this.ink = ink;
        this.title = title;
        top = 0;
        height = drawing.height();
    }

    private RunDrawing(BoxDrawing drawing, Ink ink, String title, Frame only) {
        this.drawing = drawing;
        this.ink = ink;
        this.title = title;
        top = only.y() - BESIDE;
        height = only.height() + 2 * BESIDE;
    }

    /** One box of a run alone, by its label; the whole when there is no such box. */
    RunDrawing only(String label) {
        return drawing.boxes().stream()
                .filter(room -> room.label().equals(label))
                .findFirst()
                .map(room -> new RunDrawing(drawing, ink, title, room.frame()))
                .orElse(this);
    }

    @Override
    public int width() {
        return drawing.width();
    }

    @Override
    public int height() {
        return height;
    }

    @Override
    public int top() {
        return top;
    }

    @Override
    public String title() {
        return title;
    }

    @Override
    public void on(Canvas canvas) {
        new Drawn(canvas).draw();
    }

    /** The drawing on its way to a canvas. */
    private final class Drawn {
        private final Canvas canvas;

        Drawn(Canvas canvas) {
            this.canvas = canvas;
        }

        private void panel(double x, double y, double width, double height, double radius, String fill, String edge) {
            canvas.shape(Way.rectangle(x, y, width, height, radius), fill, Pen.of(edge, EDGE));
        }

        private void draw() {
            drawing.trunks().forEach(trunk -> {
                Way way = rounded(trunk.points(), TRUNK_CORNER);
                canvas.line(way, Pen.of(Canvas.INK, 9).roundEnds());
                canvas.line(way, Pen.of(BODY, 6).roundEnds());
            });
            drawing.boxes().forEach(this::room);
            drawing.devices().forEach(this::device);
            drawing.wires().forEach(this::wire);
            drawing.devices().forEach(device -> device.ports()
                    .forEach(port -> panel(
                            port.x() - port.width() / 2.0,
                            port.y() - 7,
                            port.width(),
                            14,
                            7,
                            Canvas.PAPER,
                            Canvas.INK)));
            drawing.wires().forEach(this::tag);
            drawing.cables().forEach(cable -> {
                Frame frame = cable.frame();
                panel(frame);
                canvas.words(
                        frame.x() + frame.width() / 2.0,
                        frame.y() + frame.height() / 2.0 + 4,
                        Hand.mono(13.5),
                        Anchor.MIDDLE,
                        cable.name());
                canvas.words(
                        cable.left() ? frame.x() - 4 : frame.x() + frame.width(),
                        frame.y() - 6,
                        Hand.plain(13.5).soft(),
                        cable.left() ? Anchor.START : Anchor.END,
                        cable.label());
            });
            drawing.loads().forEach(load -> {
                canvas.line(
                        Way.from(load.x() - 22, load.y()).line(load.x() - LOAD_RADIUS, load.y()),
                        Pen.of(Canvas.INK, 2));
                shape(load.shape(), load.x(), load.y());
                canvas.words(load.x() + LOAD_RADIUS + 7, load.y() - 1, Hand.plain(14), Anchor.START, load.label());
                canvas.words(
                        load.x() + LOAD_RADIUS + 7, load.y() + 15, Hand.mono(13).soft(), Anchor.START, load.detail());
            });
        }

        private void room(BoxDrawing.Room room) {
            Frame frame = room.frame();
            canvas.line(
                    Way.rectangle(frame.x(), frame.y(), frame.width(), frame.height(), 8),
                    Pen.of(Canvas.SOFT, 1.5).dashed(7, 5));
            canvas.words(
                    frame.x() + 12,
                    frame.y() + frame.height() - 10,
                    Hand.plain(15).strong(),
                    Anchor.START,
                    room.label());
        }

        private void panel(Frame frame) {
            panel(frame.x(), frame.y(), frame.width(), frame.height(), 4, BODY, Canvas.INK);
        }

        private void device(Device device) {
            Frame frame = device.frame();
            double middle = frame.x() + frame.width() / 2.0;
            switch (device.kind()) {
                case MECHANISM -> {
                    panel(frame);
                    canvas.words(middle, frame.y() + 18, Hand.plain(14.5).strong(), Anchor.MIDDLE, device.label());
                    canvas.words(middle, frame.y() + 35, Hand.mono(13).soft(), Anchor.MIDDLE, device.detail());
                    contacts(device);
                    ports(device, -12, 13);
                }
                case MODULE -> {
                    panel(frame);
                    ports(device, 21, 13.5);
                    canvas.words(frame.x() + 10, frame.y() + 43, Hand.mono(14.5), Anchor.START, device.label());
                    canvas.words(
                            frame.x() + 10, frame.y() + 61, Hand.plain(13.5).soft(), Anchor.START, device.detail());
                }
                case LOAD -> {
                    panel(frame);
                    shape(device.shape(), frame.x() + 22, frame.y() + 24);
                    canvas.words(
                            frame.x() + 44, frame.y() + 20, Hand.plain(14.5).strong(), Anchor.START, device.label());
                    canvas.words(frame.x() + 44, frame.y() + 37, Hand.mono(13).soft(), Anchor.START, device.detail());
                    ports(device, -12, 13);
                }
                case CONNECTOR, CAP -> {
                    panel(
                            frame.x(),
                            frame.y() - 9,
                            frame.width(),
                            18,
                            device.kind() == BoxDrawing.DeviceKind.CAP ? 2 : 9,
                            BODY,
                            Canvas.INK);
                    canvas.words(middle, frame.y() + 24, Hand.plain(13.5).soft(), Anchor.MIDDLE, device.label());
                }
            }
        }

        private void ports(Device device, int below, double size) {
            device.ports()
                    .forEach(port ->
                            canvas.words(port.x(), port.y() + below, Hand.mono(size), Anchor.MIDDLE, port.name()));
        }

        /** Contacts at rest: closed arms rest on their terminal, open ones are lifted off. */
        private void contacts(Device device) {
            List<Mechanism.Contact> atRest =
                    device.contacts().isEmpty() ? List.of() : device.contacts().get(0);
            boolean open = atRest.isEmpty();
            int base = device.frame().y() + 64;
            Map<String, Integer> ports = new HashMap<>();
            device.ports().forEach(port -> ports.put(port.name(), port.x()));
            List<Mechanism.Contact> arms = new ArrayList<>(atRest);
            if (open && device.contacts().size() > 1) {
                arms.addAll(device.contacts().get(1));
            }
            device.ports()
                    .forEach(port ->
                            canvas.line(Way.from(port.x(), base + 4).line(port.x(), base), Pen.of(Canvas.INK, LINE)));
            for (Mechanism.Contact arm : arms) {
                Integer start = ports.get(arm.from());
                Integer end = ports.get(arm.to());
                if (start != null && end != null) {
                    boolean passes =
                            device.ports().stream().anyMatch(port -> (port.x() - start) * (port.x() - end) < 0);
                    int tip = open ? base - LIFT : base - 1;
                    Way way = Way.from(start, base);
                    canvas.line(
                            passes
                                    ? way.bend(start, base, (start + end) / 2.0, base - 2.0 * LIFT, end, tip)
                                    : way.line(end, tip),
                            Pen.of(Canvas.INK, LINE).roundEnds());
                }
            }
            device.ports()
                    .forEach(port -> canvas.shape(Way.circle(port.x(), base, 2.2), Canvas.INK, Pen.of(Canvas.INK, 0)));
        }

        private void wire(BoxDrawing.Wire wire) {
            Way way = rounded(wire.points(), CORNER);
            if (ink == Ink.CODES) {
                canvas.line(way, Pen.of(Canvas.PAPER, 6));
                canvas.line(way, Pen.of(Canvas.INK, wire.change() == Change.NONE ? LINE : 3));
                return;
            }
            if (wire.colour() == CoreColour.WHITE) {
                canvas.line(way, Pen.of(Canvas.SOFT, 5));
            }
            canvas.line(way, Pen.of(colour(wire.colour()), 3.6));
            if (wire.colour() == CoreColour.GREEN_YELLOW) {
                canvas.line(way, Pen.of(colour(CoreColour.YELLOW), 3.6).dashed(7, 7));
            }
        }

        private void tag(BoxDrawing.Wire wire) {
            String letters = wire.letters()
                    + switch (wire.change()) {
                        case NONE -> "";
                        case MOVED -> "›";
                        case ADDED -> "+";
                        case CAPPED -> "×";
                    };
            double width = letters.length() * 7.5 + 8;
            panel(
                    wire.tag().x() - width / 2,
                    wire.tag().y() - 8,
                    width,
                    16,
                    3,
                    Canvas.PAPER,
                    wire.change() == Change.NONE ? SPARE_EDGE : Canvas.INK);
            canvas.words(wire.tag().x(), wire.tag().y() + 4, Hand.mono(12.5), Anchor.MIDDLE, letters);
        }

        private void shape(Shape shape, double x, double y) {
            switch (shape) {
                case MOTOR -> {
                    circle(x, y);
                    canvas.words(x, y + 6, Hand.plain(16).strong(), Anchor.MIDDLE, "M");
                }
                case HEATER -> {
                    panel(x - LOAD_RADIUS, y - 9, 2 * LOAD_RADIUS, 18, 0, Canvas.PAPER, Canvas.INK);
                    for (double at = -7.5; at <= 7.5; at += 7.5) {
                        canvas.line(Way.from(x + at, y - 9).line(x + at, y + 9), Pen.of(Canvas.INK, LINE));
                    }
                }
                case SOCKET -> {
                    canvas.shape(Way.dome(x, y + 9, 12), Canvas.PAPER, Pen.of(Canvas.INK, LINE));
                    canvas.line(Way.from(x, y - 3).line(x, y - 13), Pen.of(Canvas.INK, LINE));
                }
                case COIL -> panel(x - 10, y - LOAD_RADIUS, 20, 2 * LOAD_RADIUS, 0, Canvas.PAPER, Canvas.INK);
                case LAMP, NONE -> {
                    circle(x, y);
                    canvas.line(
                            Way.from(x - CROSS, y - CROSS)
                                    .line(x + CROSS, y + CROSS)
                                    .move(x + CROSS, y - CROSS)
                                    .line(x - CROSS, y + CROSS),
                            Pen.of(Canvas.INK, LINE));
                }
            }
        }

        private void circle(double x, double y) {
            canvas.shape(Way.circle(x, y, LOAD_RADIUS), Canvas.PAPER, Pen.of(Canvas.INK, LINE));
        }
    }

    /** Inks of insulations, as the screen has them by day. */
    private static String colour(CoreColour colour) {
        return switch (colour) {
            case BROWN -> "#6e3f1c";
            case BLACK -> "#322e29";
            case GREY -> "#7e7a74";
            case BLUE -> "#1f66b3";
            case GREEN, GREEN_YELLOW -> "#2f7a45";
            case YELLOW -> "#d9b31c";
            case RED -> "#b3261e";
            case WHITE -> "#f2efe8";
            case ORANGE -> "#d9782b";
            case VIOLET -> "#6d3f9c";
            case BARE -> "#b07a3a";
        };
    }

    /** A way through points with its corners rounded a little. */
    private static Way rounded(List<Point> points, double radius) {
        Way way = Way.from(points.get(0).x(), points.get(0).y());
        for (int i = 1; i < points.size() - 1; i++) {
            Point before = points.get(i - 1);
            Point point = points.get(i);
            Point after = points.get(i + 1);
            double r = Math.min(radius, Math.min(distance(before, point), distance(point, after)) / 2);
            double[] start = towards(point, before, r);
            double[] end = towards(point, after, r);
            way.line(start[0], start[1]).bend(start[0], start[1], point.x(), point.y(), end[0], end[1]);
        }
        Point last = points.get(points.size() - 1);
        return way.line(last.x(), last.y());
    }

    private static double distance(Point a, Point b) {
        return Math.hypot(a.x() - b.x(), a.y() - b.y());
    }

    private static double[] towards(Point from, Point to, double length) {
        double whole = Math.max(distance(from, to), 1e-9);
        return new double[] {
            from.x() + (to.x() - from.x()) * length / whole, from.y() + (to.y() - from.y()) * length / whole
        };
    }
}
