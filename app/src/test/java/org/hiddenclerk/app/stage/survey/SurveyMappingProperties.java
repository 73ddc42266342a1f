package org.hiddenclerk.app.stage.survey;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.hiddenclerk.app.stage.survey.SurveyDocument.CableEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.CoreEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.EndEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.EndKind;
import org.hiddenclerk.app.stage.survey.SurveyDocument.GangEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.JumperEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.LeadsTo;
import org.hiddenclerk.app.stage.survey.SurveyDocument.LoadEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.ModuleEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.OutsideEntry;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.Role;
import tools.jackson.databind.json.JsonMapper;

/** A survey comes back from its rows, and from JSON, as it went in. */
class SurveyMappingProperties {
    private static final String CIRCUIT = "7b8e8a52-7a0f-4a53-9d4f-0b7a7e6d5c11";
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Provide
    Arbitrary<SurveyDocument> surveys() {
        Arbitrary<BigDecimal> mm = Arbitraries.bigDecimals()
                .between(new BigDecimal("10"), new BigDecimal("200"))
                .ofScale(1)
                .map(SurveyMappingProperties::plain);
        Arbitrary<String> name = Arbitraries.strings()
                .withCharRange('a', 'z')
                .withChars('ä', 'ł', '😀', ' ', '"')
                .ofMinLength(1)
                .ofMaxLength(20)
                .map(text -> "x" + text);
        return Combinators.combine(
                        mm,
                        name,
                        gangs(mm, name),
                        loads(name),
                        cables(),
                        jumpers(),
                        Arbitraries.of(true, false),
                        modules(mm, name))
                .as((size, label, gangs, loads, cables, jumpers, metal, modules) -> new SurveyDocument(
                        label,
                        metal ? BoxKind.WALL : BoxKind.JUNCTION,
                        new SurveyDocument.Geometry(
                                size, size, size, metal, null, metal ? Boolean.TRUE : null, null, gangs.size() > 2),
                        numbered(gangs),
                        loads,
                        cables,
                        jumpers,
                        modules));
    }

    private static Arbitrary<List<GangEntry>> gangs(Arbitrary<BigDecimal> mm, Arbitrary<String> name) {
        return Combinators.combine(name, Arbitraries.of(Mechanism.class), mm)
                .as((called, mechanism, depth) -> new GangEntry(1, called, mechanism, depth, CIRCUIT))
                .list()
                .ofMinSize(1)
                .ofMaxSize(4);
    }

    private static Arbitrary<List<ModuleEntry>> modules(Arbitrary<BigDecimal> mm, Arbitrary<String> name) {
        return Combinators.combine(
                        name,
                        mm.optional(),
                        mm.optional(),
                        Arbitraries.integers().between(0, 8))
                .as((called, side, draws, free) -> new ModuleEntry(
                        called,
                        side.map(size -> new OutsideEntry(size, size, size)).orElse(null),
                        draws.map(watts -> watts.movePointLeft(1)).orElse(null),
                        free))
                .list()
                .ofMaxSize(2);
    }

    private static List<GangEntry> numbered(List<GangEntry> gangs) {
        List<GangEntry> numbered = new ArrayList<>();
        for (GangEntry gang : gangs) {
            numbered.add(
                    new GangEntry(numbered.size() + 1, gang.name(), gang.mechanism(), gang.depthMm(), gang.circuit()));
        }
        return numbered;
    }

    private static Arbitrary<List<LoadEntry>> loads(Arbitrary<String> name) {
        return Combinators.combine(
                        Arbitraries.integers().between(1, 12),
                        name,
                        Arbitraries.of("LED 7", "fan 40 pf 0.7"),
                        Arbitraries.of(true, false))
                .as((number, called, typed, long3h) -> new LoadEntry(
                        number,
                        called,
                        typed,
                        long3h ? 1 : 0,
                        long3h,
                        long3h ? null : new SurveyDocument.DriveEntry("m", Drive.Direction.UP)))
                .list()
                .ofMaxSize(4);
    }

    private static Arbitrary<List<CableEntry>> cables() {
        Arbitrary<CoreEntry> core = Combinators.combine(
                        Arbitraries.integers().between(1, 7),
                        Arbitraries.of(CoreColour.class),
                        Arbitraries.of(CoreColour.class).injectNull(0.5),
                        Arbitraries.of(Role.class),
                        ends(),
                        Arbitraries.integers().between(1, 12).injectNull(0.7))
                .as(CoreEntry::new);
        return Combinators.combine(
                        Arbitraries.of(LeadsTo.class),
                        core.list().ofMinSize(1).ofMaxSize(4),
                        Arbitraries.of("1.5", "2.5", "4", "2.08"),
                        Arbitraries.of(true, false),
                        Arbitraries.of(true, false))
                .as((leads, cores, mm2, known, asUsual) -> new CableEntry(
                        "c",
                        leads,
                        leads == LeadsTo.LOAD || leads == LeadsTo.BOX ? null : CIRCUIT,
                        leads == LeadsTo.SUPPLY || leads == LeadsTo.BOX ? null : 3,
                        leads == LeadsTo.BOX && known ? CIRCUIT : null,
                        leads == LeadsTo.BOX && known ? "c9" : null,
                        new BigDecimal(mm2),
                        cores,
                        asUsual))
                .list()
                .ofMaxSize(4)
                .map(SurveyMappingProperties::named);
    }

    private static List<CableEntry> named(List<CableEntry> cables) {
        List<CableEntry> named = new ArrayList<>();
        for (CableEntry cable : cables) {
            named.add(new CableEntry(
                    "c" + named.size(),
                    cable.leadsTo(),
                    cable.circuit(),
                    cable.load(),
                    cable.box(),
                    cable.farCable(),
                    cable.mm2(),
                    cable.cores(),
                    cable.asUsual()));
        }
        return named;
    }

    private static Arbitrary<List<JumperEntry>> jumpers() {
        return Combinators.combine(Arbitraries.of(CoreColour.class), ends(), ends())
                .as((colour, from, to) -> new JumperEntry("w", colour, from, to))
                .list()
                .ofMaxSize(3);
    }

    private static Arbitrary<EndEntry> ends() {
        return Arbitraries.of(
                new EndEntry(EndKind.CAPPED, null, null, null, null),
                new EndEntry(EndKind.LOOSE, null, null, null, null),
                new EndEntry(EndKind.CONNECTOR, null, null, "neutral 4.b", null),
                new EndEntry(EndKind.LOAD, null, "PE", null, 2),
                new EndEntry(EndKind.MECHANISM, 2, "L-OUT", null, null),
                new EndEntry(EndKind.MECHANISM, 1, "COM", null, null));
    }

    private static BigDecimal plain(BigDecimal value) {
        BigDecimal stripped = value.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }

    @Property(tries = 200)
    void comesBackFromItsRows(@ForAll("surveys") SurveyDocument survey) {
        BoxRow row = new BoxRow(UUID.randomUUID(), "A", Instant.EPOCH);

        SurveyMapping.write(survey, row);

        assertThat(SurveyMapping.read(row)).isEqualTo(survey);
    }

    @Property(tries = 200)
    void comesBackFromJson(@ForAll("surveys") SurveyDocument survey) {
        assertThat(JSON.readValue(JSON.writeValueAsString(survey), SurveyDocument.class))
                .isEqualTo(survey);
    }
}
