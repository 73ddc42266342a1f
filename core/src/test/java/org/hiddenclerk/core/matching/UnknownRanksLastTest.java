package org.hiddenclerk.core.matching;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Of two modules of which one figure is known, and sufficient, of one alone, that one is offered first: whatever the other costs. */
class UnknownRanksLastTest {
    private static final DataSheet.Temperatures TEMPERATURES = new DataSheet.Temperatures(-10, 60);
    private static final DataSheet.FirmwareLine LINE = new DataSheet.FirmwareLine("main", "2.0.0", Set.of());
    private static final DataSheet WHOLE =
            sheet(Optional.of(TEMPERATURES), OptionalInt.of(90), List.of(LINE), Set.of());

    private static DataSheet sheet(
            Optional<DataSheet.Temperatures> temperatures,
            OptionalInt peak,
            List<DataSheet.FirmwareLine> lines,
            Set<DataSheet.Unstated> unstated) {
        return new DataSheet(
                temperatures,
                peak,
                Optional.empty(),
                OptionalDouble.of(0.4),
                false,
                List.of(),
                List.of(),
                lines,
                Optional.empty(),
                List.of(),
                unstated);
    }

    private record Lacks(String what, ModuleModel known, ModuleModel unknown) {
        @Override
        public String toString() {
            return what;
        }
    }

    static Stream<Lacks> figures() {
        ModuleModel model = Modules.with(Modules.withNeutral(1, 2, Modules.generous()), WHOLE);
        ModuleModel twoWire = Modules.with(Modules.twoWire(3, Modules.generous()), WHOLE);
        ModuleModel noMinimum = Modules.with(Modules.twoWire(0, Modules.generous()), WHOLE);
        return Stream.of(
                new Lacks("size", model, withoutSize(model)),
                new Lacks(
                        "temperatures",
                        model,
                        Modules.with(model, sheet(Optional.empty(), OptionalInt.of(90), List.of(LINE), Set.of()))),
                new Lacks(
                        "peak of the contact",
                        model,
                        Modules.with(
                                model, sheet(Optional.of(TEMPERATURES), OptionalInt.empty(), List.of(LINE), Set.of()))),
                new Lacks(
                        "firmware",
                        model,
                        Modules.with(model, sheet(Optional.of(TEMPERATURES), OptionalInt.of(90), List.of(), Set.of()))),
                new Lacks("minimum load", twoWire, noMinimum),
                new Lacks(
                        "minimum load, said to be unstated",
                        twoWire,
                        Modules.with(
                                twoWire,
                                sheet(
                                        Optional.of(TEMPERATURES),
                                        OptionalInt.of(90),
                                        List.of(LINE),
                                        Set.of(DataSheet.Unstated.MINIMUM_LOAD)))),
                new Lacks(
                        "current while off",
                        twoWire,
                        Modules.with(
                                twoWire,
                                sheet(
                                        Optional.of(TEMPERATURES),
                                        OptionalInt.of(90),
                                        List.of(LINE),
                                        Set.of(DataSheet.Unstated.STANDBY_CURRENT)))),
                new Lacks(
                        "supply range",
                        model,
                        Modules.with(
                                model,
                                sheet(
                                        Optional.of(TEMPERATURES),
                                        OptionalInt.of(90),
                                        List.of(LINE),
                                        Set.of(DataSheet.Unstated.SUPPLY_RANGE)))));
    }

    @ParameterizedTest
    @MethodSource("figures")
    void whatIsKnownIsOfferedFirst(Lacks figure) {
        Box box = Boxes.box()
                .gang("4", "LED 60")
                .feed("4", Boxes.common(1))
                .lamp(1, Boxes.throwOf(1), "4")
                .build();
        ModuleModel cheap = named(figure.unknown(), "A-CHEAP", 1);
        ModuleModel dear = named(figure.known(), "Z-DEAR", 99_900);
        ModuleMatch match = new ModuleMatch(Boxes.house(), box);

        assertThat(match.rank(List.of(1), List.of(cheap, dear)))
                .extracting(c -> c.assignment().model().code())
                .containsExactly("Z-DEAR", "A-CHEAP");
        assertThat(match.rank(List.of(1), List.of(named(figure.known(), "A-CHEAP", 1), dear)))
                .as("the price alone decides where both are known")
                .extracting(c -> c.assignment().model().code())
                .containsExactly("A-CHEAP", "Z-DEAR");
    }

    private static ModuleModel named(ModuleModel m, String code, int priceCents) {
        return new ModuleModel(
                code,
                m.maker(),
                m.name(),
                m.protocol(),
                m.purpose(),
                m.supply(),
                m.channels(),
                m.inputs(),
                m.behaviours(),
                m.interlocked(),
                m.totalAmps(),
                m.terminals(),
                m.body(),
                m.markets(),
                m.metering(),
                m.worksWithoutInternet(),
                OptionalInt.of(priceCents),
                m.blink(),
                m.sheet());
    }

    private static ModuleModel withoutSize(ModuleModel m) {
        return new ModuleModel(
                m.code(),
                m.maker(),
                m.name(),
                m.protocol(),
                m.purpose(),
                m.supply(),
                m.channels(),
                m.inputs(),
                m.behaviours(),
                m.interlocked(),
                m.totalAmps(),
                m.terminals(),
                Optional.empty(),
                m.markets(),
                m.metering(),
                m.worksWithoutInternet(),
                m.priceCents(),
                m.blink(),
                m.sheet());
    }
}
