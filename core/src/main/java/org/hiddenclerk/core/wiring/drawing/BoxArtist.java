package org.hiddenclerk.core.wiring.drawing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.part.Mechanism.Contact;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.wiring.drawing.Artwork.Anchor;
import org.hiddenclerk.core.wiring.drawing.Artwork.Excerpt;
import org.hiddenclerk.core.wiring.drawing.Artwork.Face;
import org.hiddenclerk.core.wiring.drawing.Artwork.Group;
import org.hiddenclerk.core.wiring.drawing.Artwork.Insulations;
import org.hiddenclerk.core.wiring.drawing.Artwork.Kind;
import org.hiddenclerk.core.wiring.drawing.Artwork.Pen;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.CableSymbol;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Change;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Device;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Frame;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.LoadSymbol;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Point;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Port;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Room;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Trunk;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Wire;
import org.hiddenclerk.core.wiring.drawing.Showing.When;

/** Draws what was laid out, and what of it shows in which state. */
final class BoxArtist {
    private static final double CORNER = 6;
    private static final double TRUNK_CORNER = 10;
    /** Room above and below a box that is shown alone. */
    private static final int BESIDE = 12;
    /** How far an open contact's arm is lifted. */
    private static final int LIFT = 11;
    /** From the top of a mechanism to its contacts. */
    private static final int CONTACTS_BELOW = 64;

    private static final Pen EDGE = Pen.of(Ink.TEXT, 1.6);
    private static final Pen LINE = Pen.of(Ink.TEXT, 1.8);
    private static final Face NAME = Face.plain(14.5).strong();
    private static final Face DETAIL = Face.mono(13).soft();
    private static final double DETAIL_LETTER = 7.8;
    /** Room behind the words of a mechanism for its position. */
    private static final double POSITION = 28;

    private static final Face ASIDE = Face.plain(13.5).soft();
    private static final Face READING = Face.mono(12.5).soft();
    /** Width of a letter of {@link #READING}. */
    private static final double READING_LETTER = 7.5;

    private final BoxDrawing drawing;
    private final Insulations insulations;

    BoxArtist(BoxDrawing drawing, Insulations insulations) {
        this.drawing = drawing;
        this.insulations = insulations;
    }

    Artwork artwork() {
        List<Excerpt> excerpts = drawing.boxes().stream()
                .map(room -> new Excerpt(
                        room.label(), room.frame().y() - BESIDE, room.frame().height() + 2 * BESIDE))
                .toList();
        List<Group> groups = Stream.of(
                        drawing.trunks().stream().map(BoxArtist::trunk),
                        drawing.boxes().stream().map(BoxArtist::room),
                        drawing.devices().stream().map(BoxArtist::device),
                        drawing.wires().stream().map(this::wire),
                        drawing.devices().stream().map(BoxArtist::terminals),
                        drawing.wires().stream().map(BoxArtist::tag),
                        drawing.cables().stream().map(BoxArtist::cable),
                        drawing.loads().stream().map(BoxArtist::load))
                .flatMap(each -> each)
                .toList();
        return new Artwork(drawing.width(), drawing.height(), excerpts, groups);
    }

    /** The sheath of a cable on its way to another box. */
    private static Group trunk(Trunk trunk) {
        Way way = Way.through(trunk.points(), TRUNK_CORNER);
        return new Marks()
                .line(way, Pen.of(Ink.TEXT, 9).roundEnds())
                .line(way, Pen.of(Ink.BODY, 6).roundEnds())
                .group(Kind.OTHER, "", "cable " + trunk.name());
    }

    private static Group room(Room room) {
        Frame frame = room.frame();
        return new Marks()
                .line(outline(frame, 8), Pen.of(Ink.SOFT, 1.5).dashed(7, 5))
                .words(
                        frame.x() + 12,
                        frame.y() + frame.height() - 10,
                        Anchor.START,
                        Face.plain(15).strong(),
                        room.label())
                .group();
    }

    private static Group device(Device device) {
        return switch (device.kind()) {
            case MECHANISM -> mechanism(device);
            case LOAD -> hangingLoad(device);
            case MODULE -> module(device);
            case CONNECTOR -> joint(device, 9);
            case CAP -> joint(device, 2);
        };
    }

    private static Group mechanism(Device device) {
        Frame frame = device.frame();
        Marks marks = new Marks().shape(outline(frame, 4), Ink.BODY, Pen.of(Ink.OPERABLE, EDGE.width()));
        double middle = frame.x() + frame.width() / 2.0;
        double line = frame.y() + 35;
        List<String> id = List.of(device.partId());
        double detail = device.detail().length() * DETAIL_LETTER;
        double left = middle - (detail + POSITION) / 2;
        marks.words(middle, frame.y() + 18, Anchor.MIDDLE, NAME, device.label())
                .words(left, line, Anchor.START, DETAIL, device.detail());
        double at = left + detail + DETAIL_LETTER;
        position(marks, Showing.still(When.AT_REST, id), at, line, -9, "0");
        position(marks, Showing.live(When.OPERATED, id), at, line - 9, 9, "1");
        names(marks, device, -12, Face.mono(13));
        contacts(marks, device);
        return marks.group(Kind.MECHANISM, device.partId(), device.label());
    }

    /** A triangle that points up or down, drawn because not every font has one. */
    private static void position(Marks marks, Showing showing, double x, double y, double tip, String words) {
        marks.shape(
                        showing,
                        Way.from(x, y).line(x + 9, y).line(x + 4.5, y + tip).close(),
                        Ink.SOFT,
                        Pen.of(Ink.NONE, 0))
                .words(showing, x + 13, Math.max(y, y + tip), Anchor.START, DETAIL, words);
    }

    /** As circuit drawings have them: closed arms rest on their terminal, open ones are lifted off. */
    private static void contacts(Marks marks, Device device) {
        int base = device.frame().y() + CONTACTS_BELOW;
        device.ports().forEach(port -> marks.line(Way.from(port.x(), base + 4).line(port.x(), base), LINE));
        List<String> id = List.of(device.partId());
        List<Contact> atRest = device.contacts().get(0);
        List<Contact> operated = device.contacts().get(1);
        arms(marks, device, Showing.still(When.AT_REST, id), atRest, operated);
        arms(marks, device, Showing.live(When.OPERATED, id), operated, atRest);
        device.ports().forEach(port -> marks.shape(Way.circle(port.x(), base, 2.2), Ink.TEXT, Pen.of(Ink.NONE, 0)));
    }

    /** Where nothing is joined, all that the other position joins is shown open. */
    private static void arms(Marks marks, Device device, Showing showing, List<Contact> now, List<Contact> other) {
        boolean open = now.isEmpty();
        int base = device.frame().y() + CONTACTS_BELOW;
        Map<String, Integer> ports = new HashMap<>();
        device.ports().forEach(port -> ports.put(port.name(), port.x()));
        for (Contact arm : open ? other : now) {
            Integer start = ports.get(arm.from());
            Integer end = ports.get(arm.to());
            if (start != null && end != null) {
                boolean passes = device.ports().stream().anyMatch(port -> (port.x() - start) * (port.x() - end) < 0);
                int tip = open ? base - LIFT : base - 1;
                Way way = Way.from(start, base);
                marks.line(
                        showing,
                        passes
                                ? way.bend(start, base, (start + end) / 2.0, base - 2.0 * LIFT, end, tip)
                                : way.line(end, tip),
                        LINE.roundEnds());
            }
        }
    }

    private static Group module(Device device) {
        Frame frame = device.frame();
        int x = frame.x() + 10;
        Marks marks = new Marks()
                .shape(outline(frame, 4), Ink.BODY, EDGE)
                .words(x, frame.y() + 43, Anchor.START, Face.mono(14.5), device.label())
                .words(x, frame.y() + 61, Anchor.START, ASIDE, device.detail());
        names(marks, device, 21, Face.mono(13.5));
        String id = device.partId();
        marks.words(Showing.live(When.POWERED, id), x, frame.y() + 79, Anchor.START, READING, "powered")
                .words(Showing.live(When.UNPOWERED, id), x, frame.y() + 79, Anchor.START, READING, "no supply");
        asserted(marks, device, x, frame.y() + 96);
        return marks.group();
    }

    /** Each input has a place of its own in the line, so that none moves when another is asserted. */
    private static void asserted(Marks marks, Device device, double x, double y) {
        List<String> inputs = device.inputs().stream()
                .map(input -> device.partId() + "." + input)
                .toList();
        String words = "asserted";
        marks.words(Showing.live(When.ASSERTED, inputs), x, y, Anchor.START, READING, words);
        double at = x + (words.length() + 1) * READING_LETTER;
        for (int i = 0; i < inputs.size(); i++) {
            String input = device.inputs().get(i);
            marks.words(Showing.live(When.ASSERTED, inputs.get(i)), at, y, Anchor.START, READING, input);
            at += (input.length() + 1) * READING_LETTER;
        }
    }

    /** A load with its terminals, where it hangs. */
    private static Group hangingLoad(Device device) {
        Frame frame = device.frame();
        Marks marks = new Marks().shape(outline(frame, 4), Ink.BODY, EDGE);
        new LoadShapes(marks, List.of(device.partId()), frame.x() + 22, frame.y() + 24).draw(device.shape());
        marks.words(frame.x() + 44, frame.y() + 20, Anchor.START, NAME, device.label())
                .words(frame.x() + 44, frame.y() + 37, Anchor.START, DETAIL, device.detail());
        names(marks, device, -12, Face.mono(13));
        return marks.group(Kind.LOAD, device.partId(), device.label());
    }

    /** A load at the end of its cable. */
    private static Group load(LoadSymbol load) {
        Marks marks = new Marks()
                .line(
                        Way.from(load.x() - 22, load.y()).line(load.x() - LoadShapes.RADIUS, load.y()),
                        Pen.of(Ink.TEXT, 2));
        new LoadShapes(marks, load.partIds(), load.x(), load.y()).draw(load.shape());
        double x = load.x() + LoadShapes.RADIUS + 7;
        return marks.words(x, load.y() - 1, Anchor.START, Face.plain(14), load.label())
                .words(x, load.y() + 15, Anchor.START, DETAIL, load.detail())
                .group(Kind.LOAD, load.partIds().get(0), load.label());
    }

    private static Group joint(Device device, double radius) {
        Frame frame = device.frame();
        return new Marks()
                .shape(Way.rectangle(frame.x(), frame.y() - 9, frame.width(), 18, radius), Ink.BODY, EDGE)
                .words(frame.x() + frame.width() / 2.0, frame.y() + 24, Anchor.MIDDLE, ASIDE, device.label())
                .group();
    }

    private static void names(Marks marks, Device device, int below, Face face) {
        device.ports().forEach(port -> marks.words(port.x(), port.y() + below, Anchor.MIDDLE, face, port.name()));
    }

    /** Rings, wider where several conductors meet. */
    private static Group terminals(Device device) {
        Marks marks = new Marks();
        for (Port port : device.ports()) {
            marks.shape(
                    Way.rectangle(port.x() - port.width() / 2.0, port.y() - 7, port.width(), 14, 7), Ink.PAPER, EDGE);
        }
        return marks.group();
    }

    /** A conductor, with a halo while it is energised. */
    private Group wire(Wire wire) {
        Way way = Way.through(wire.points(), CORNER);
        Marks marks = new Marks()
                .line(
                        Showing.live(When.LIVE, wire.node()),
                        way,
                        Pen.of(Ink.GLOW, 11).roundEnds());
        switch (insulations) {
            case LETTERS ->
                marks.line(way, Pen.of(Ink.PAPER, 6))
                        .line(way, Pen.of(Ink.TEXT, wire.change() == Change.NONE ? LINE.width() : 3));
            case COLOURS -> insulation(marks, way, wire.colour());
        }
        return marks.group(Kind.WIRE, wire.key(), wire.words());
    }

    private static void insulation(Marks marks, Way way, CoreColour colour) {
        if (colour == CoreColour.WHITE) {
            marks.line(way, Pen.of(Ink.WHITE_EDGE, 5.4));
        }
        marks.line(way, Pen.of(Ink.of(colour), 3.6));
        if (colour == CoreColour.GREEN_YELLOW) {
            marks.line(way, Pen.of(Ink.YELLOW, 3.6).dashed(7, 7));
        }
    }

    /** The letters of a conductor's colour, so that colour is never the only carrier, and what the plan does to it. */
    private static Group tag(Wire wire) {
        String letters = wire.letters()
                + switch (wire.change()) {
                    case NONE -> "";
                    case MOVED -> "›";
                    case ADDED -> "+";
                    case CAPPED -> "×";
                };
        double width = letters.length() * READING_LETTER + 8;
        Point at = wire.tag();
        return new Marks()
                .shape(
                        Way.rectangle(at.x() - width / 2, at.y() - 8, width, 16, 3),
                        Ink.PAPER,
                        Pen.of(wire.change() == Change.NONE ? Ink.TAG : Ink.CHANGED, EDGE.width()))
                .words(at.x(), at.y() + 4, Anchor.MIDDLE, Face.mono(12.5), letters)
                .group(Kind.TAG, wire.key(), "");
    }

    /** The sheath of a cable where it enters the box. */
    private static Group cable(CableSymbol cable) {
        Frame frame = cable.frame();
        return new Marks()
                .shape(outline(frame, 4), Ink.BODY, EDGE)
                .words(
                        frame.x() + frame.width() / 2.0,
                        frame.y() + frame.height() / 2.0 + 4,
                        Anchor.MIDDLE,
                        Face.mono(13.5),
                        cable.name())
                .words(
                        cable.left() ? frame.x() - 4 : frame.x() + frame.width(),
                        frame.y() - 6,
                        cable.left() ? Anchor.START : Anchor.END,
                        ASIDE,
                        cable.label())
                .group();
    }

    private static Way outline(Frame frame, double radius) {
        return Way.rectangle(frame.x(), frame.y(), frame.width(), frame.height(), radius);
    }
}
