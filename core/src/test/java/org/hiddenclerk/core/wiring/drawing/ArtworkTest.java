package org.hiddenclerk.core.wiring.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.wiring.drawing.Artwork.Group;
import org.hiddenclerk.core.wiring.drawing.Artwork.Insulations;
import org.hiddenclerk.core.wiring.drawing.Artwork.Kind;
import org.hiddenclerk.core.wiring.drawing.Artwork.Lettering;
import org.hiddenclerk.core.wiring.drawing.Artwork.Stroke;
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
import org.hiddenclerk.core.wiring.drawing.Showing.When;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What a drawing shows in which state; symbols as in IEC 60617. */
class ArtworkTest {
    private static final Point FROM = new Point(0, 50);
    private static final Point TO = new Point(90, 50);

    private static Wire wire(CoreColour colour, Change change) {
        return new Wire("c1.1", colour, colour.letters(), "n1", "a conductor", change, FROM, List.of(FROM, TO));
    }

    private static Device device(
            DeviceKind kind, List<List<Mechanism.Contact>> contacts, List<String> inputs, Port... ports) {
        return new Device(
                kind, "P1", "name", "detail", Shape.LAMP, contacts, inputs, new Frame(0, 0, 160, 90), List.of(ports));
    }

    private static Artwork drawn(Insulations insulations, List<Device> devices, List<Wire> wires) {
        BoxDrawing drawing = new BoxDrawing(
                300,
                200,
                List.of(new Room("B-1", new Frame(10, 20, 200, 100)), new Room("B-2", new Frame(10, 140, 200, 50))),
                devices,
                List.of(),
                wires,
                List.of(),
                List.of());
        return Artwork.of(drawing, insulations);
    }

    private static Group only(Artwork artwork, Kind kind) {
        List<Group> of =
                artwork.groups().stream().filter(group -> group.kind() == kind).toList();
        assertThat(of).hasSize(1);
        return of.get(0);
    }

    private static List<String> words(Group group, When when) {
        return group.words().stream()
                .filter(words -> words.showing().when() == when)
                .map(Lettering::text)
                .toList();
    }

    private static Stream<Stroke> strokes(Group group, When when) {
        return group.strokes().stream().filter(stroke -> stroke.showing().when() == when);
    }

    @Test
    void aConductorHasAHaloWhileItsNodeIsLiveAndNoneOnPaper() {
        Group wire =
                only(drawn(Insulations.COLOURS, List.of(), List.of(wire(CoreColour.BROWN, Change.NONE))), Kind.WIRE);
        assertThat(wire.subject()).isEqualTo("c1.1");
        assertThat(wire.name()).isEqualTo("a conductor");
        assertThat(strokes(wire, When.LIVE)).singleElement().satisfies(halo -> {
            assertThat(halo.showing()).isEqualTo(new Showing(When.LIVE, List.of("n1"), false));
            assertThat(halo.pen().ink()).isEqualTo(Ink.GLOW);
        });
        assertThat(strokes(wire, When.ALWAYS)).extracting(s -> s.pen().ink()).containsExactly(Ink.BROWN);
    }

    @ParameterizedTest
    @EnumSource(CoreColour.class)
    void everyColourIsSeenOnPaperAndIsNotAnotherOne(CoreColour colour) {
        Group wire = only(drawn(Insulations.COLOURS, List.of(), List.of(wire(colour, Change.NONE))), Kind.WIRE);
        assertThat(strokes(wire, When.ALWAYS))
                .extracting(s -> s.pen().ink())
                .containsExactlyElementsOf(
                        switch (colour) {
                            case WHITE -> List.of(Ink.WHITE_EDGE, Ink.WHITE);
                            case GREEN_YELLOW -> List.of(Ink.GREEN, Ink.YELLOW);
                            default -> List.of(Ink.valueOf(colour.name()));
                        });
        assertThat(strokes(wire, When.ALWAYS).filter(s -> s.pen().inked() > 0))
                .as("stripes")
                .hasSize(colour == CoreColour.GREEN_YELLOW ? 1 : 0);
    }

    @Test
    void onPaperWithoutColoursAConductorThatChangesIsDrawnHeavier() {
        double stays = width(Change.NONE);
        for (Change change : List.of(Change.MOVED, Change.ADDED, Change.CAPPED)) {
            assertThat(width(change)).as(change.name()).isGreaterThan(stays * 1.5);
        }
    }

    private static double width(Change change) {
        Group wire = only(drawn(Insulations.LETTERS, List.of(), List.of(wire(CoreColour.BLUE, change))), Kind.WIRE);
        assertThat(strokes(wire, When.ALWAYS)).extracting(s -> s.pen().ink()).containsExactly(Ink.PAPER, Ink.TEXT);
        return wire.strokes().get(2).pen().width();
    }

    @ParameterizedTest
    @CsvSource({"NONE, BN, TAG", "MOVED, BN›, CHANGED", "ADDED, BN+, CHANGED", "CAPPED, BN×, CHANGED"})
    void lettersSayTheColourAndWhatThePlanDoesSoThatColourIsNeverTheOnlyCarrier(
            Change change, String letters, Ink edge) {
        Group tag = only(drawn(Insulations.COLOURS, List.of(), List.of(wire(CoreColour.BROWN, change))), Kind.TAG);
        assertThat(words(tag, When.ALWAYS)).containsExactly(letters);
        assertThat(tag.strokes())
                .singleElement()
                .satisfies(panel -> assertThat(panel.pen().ink()).isEqualTo(edge));
    }

    /** One-way: open at rest, with its arm lifted off the terminal; closed when operated. */
    @Test
    void anOpenContactIsLiftedAndAClosedOneRestsOnItsTerminal() {
        Device device = device(
                DeviceKind.MECHANISM,
                List.of(List.of(), List.of(new Mechanism.Contact("COM", "L1"))),
                List.of(),
                new Port("COM", "n1", 20, 90, 16),
                new Port("L1", "n2", 80, 90, 16));
        Group mechanism = only(drawn(Insulations.COLOURS, List.of(device), List.of()), Kind.MECHANISM);
        assertThat(arms(mechanism, When.AT_REST)).containsExactly("M20 64L80 53");
        assertThat(arms(mechanism, When.OPERATED)).containsExactly("M20 64L80 63");
        assertThat(words(mechanism, When.AT_REST)).containsExactly("0");
        assertThat(words(mechanism, When.OPERATED)).containsExactly("1");
        assertThat(mechanism.strokes())
                .as("at rest on paper, and nothing of the other position")
                .filteredOn(stroke -> stroke.showing().still())
                .noneMatch(stroke -> stroke.showing().when() == When.OPERATED);
    }

    /** The position has a triangle too, which is filled and has no edge. */
    private static List<String> arms(Group mechanism, When when) {
        return strokes(mechanism, when)
                .filter(stroke -> stroke.pen().width() > 0)
                .map(stroke -> stroke.way().svg())
                .toList();
    }

    /** Intermediate: what it joins changes, and an arm that passes a terminal goes round it. */
    @Test
    void anArmThatPassesATerminalGoesRoundIt() {
        Device device = device(
                DeviceKind.MECHANISM,
                List.of(List.of(new Mechanism.Contact("A", "C")), List.of(new Mechanism.Contact("A", "B"))),
                List.of(),
                new Port("A", "n1", 20, 90, 16),
                new Port("B", "n2", 50, 90, 16),
                new Port("C", "n3", 80, 90, 16));
        Group mechanism = only(drawn(Insulations.COLOURS, List.of(device), List.of()), Kind.MECHANISM);
        assertThat(arms(mechanism, When.AT_REST))
                .singleElement()
                .asString()
                .contains("C")
                .endsWith("80 63");
        assertThat(arms(mechanism, When.OPERATED)).containsExactly("M20 64L50 63");
    }

    @Test
    void aModuleSaysWhetherItHasItsSupplyAndWhichInputsAreAsserted() {
        Artwork artwork = drawn(
                Insulations.COLOURS, List.of(device(DeviceKind.MODULE, List.of(), List.of("S1", "S2"))), List.of());
        List<Lettering> words =
                artwork.groups().stream().flatMap(g -> g.words().stream()).toList();
        assertThat(words)
                .filteredOn(w -> !w.showing().still())
                .extracting(w -> w.showing().when() + " " + w.showing().of() + " " + w.text())
                .containsExactly(
                        "POWERED [P1] powered",
                        "UNPOWERED [P1] no supply",
                        "ASSERTED [P1.S1, P1.S2] asserted",
                        "ASSERTED [P1.S1] S1",
                        "ASSERTED [P1.S2] S2");
        assertThat(words)
                .filteredOn(w -> w.showing().when() == When.ASSERTED)
                .extracting(Lettering::x)
                .as("no word stands on another")
                .containsExactly(10.0, 77.5, 100.0);
    }

    @ParameterizedTest
    @EnumSource(Shape.class)
    void everyLoadIsToldApartOnDimAndOff(Shape shape) {
        LoadSymbol load = new LoadSymbol(List.of("X1", "X2"), "shelf", "3x2 LED 7", shape, 100, 100);
        BoxDrawing drawing =
                new BoxDrawing(300, 200, List.of(), List.of(), List.of(), List.of(), List.of(load), List.of());
        Group group = only(Artwork.of(drawing, Insulations.COLOURS), Kind.LOAD);
        assertThat(Stream.of(When.OFF, When.DIM, When.ON)
                        .map(when -> strokes(group, when).findFirst().orElseThrow()))
                .extracting(Stroke::fill)
                .containsExactly(Ink.PAPER, Ink.GLOW, Ink.LIT);
        assertThat(group.strokes())
                .filteredOn(s -> s.showing().when() != When.ALWAYS)
                .allSatisfy(s -> assertThat(s.showing().of()).containsExactly("X1", "X2"));
        assertThat(strokes(group, When.ON).count())
                .as("the same lines in every state")
                .isEqualTo(strokes(group, When.OFF).count());
    }

    @Test
    void aBoxOfARunIsShownAloneWithALittleRoomBesideIt() {
        Artwork artwork = drawn(Insulations.COLOURS, List.of(), List.of());
        assertThat(artwork.excerpts())
                .containsExactly(new Artwork.Excerpt("B-1", 8, 124), new Artwork.Excerpt("B-2", 128, 74));
    }
}
