package org.hiddenclerk.app.stage.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** The modules that ship: enough kinds of them, and none that contradicts itself. */
class StockBookTest {
    private final List<ModuleDocument> documents = documents();
    private final List<ModuleModel> models =
            documents.stream().map(ModuleDocument::toModel).toList();

    private static List<ModuleDocument> documents() {
        try (InputStream source = StockBookTest.class.getResourceAsStream("/stock/modules.json")) {
            return List.of(JsonMapper.builder().build().readValue(source, ModuleDocument[].class));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void noneContradictsItself() {
        assertSoftly(softly -> documents.forEach(document ->
                softly.assertThat(document.problems()).as(document.code()).isEmpty()));
    }

    /** Some makers say little: what they leave out is named, and none of it is taken for nothing. */
    @Test
    void whatIsNotStatedIsNamed() {
        assertThat(documents)
                .anySatisfy(d -> assertThat(d.unknown()).contains("size", "price"))
                .anySatisfy(d -> assertThat(d.unknown()).contains("minimum load"))
                .anySatisfy(d -> assertThat(d.unknown()).contains("LED rating"));
    }

    @Test
    void thereAreEnoughOfEveryKind() {
        assertThat(models).hasSizeGreaterThanOrEqualTo(40);
        assertThat(models).extracting(ModuleModel::protocol).contains(Protocol.values());
        assertThat(models).extracting(ModuleModel::purpose).contains(Purpose.values());
        assertThat(new TreeSet<>(models.stream().map(m -> m.channels().size()).toList()))
                .containsExactly(0, 1, 2, 3, 4);
        assertThat(models)
                .anySatisfy(m -> assertThat(m.supply()).isInstanceOf(ModuleSupply.TwoWire.class))
                .anySatisfy(m -> assertThat(m.supply()).isInstanceOf(ModuleSupply.DirectCurrent.class))
                .anySatisfy(m -> assertThat(m.hasWetContacts()).isFalse());
    }

    @Test
    void everyPinHasATerminalAndEveryTerminalAPin() {
        assertSoftly(softly -> models.forEach(model -> {
            Part fitted = model.isSender()
                    ? new Part.Sender(new PartId("K"), model.inputs(), java.util.Map.of())
                    : new Part.FittedModule(
                            new PartId("K"),
                            model.supply(),
                            model.channels(),
                            model.inputs(),
                            model.interlocked(),
                            java.util.Map.of());
            Set<String> terminals =
                    new HashSet<>(model.terminals().stream().map(Terminal::name).toList());
            softly.assertThat(terminals).as(model.code()).isEqualTo(new HashSet<>(fitted.pinNames()));
        }));
    }

    @Test
    void everyModuleCanBeSetToWhatItComesWith() {
        assertSoftly(softly -> models.forEach(model -> model.inputs()
                .forEach(input ->
                        softly.assertThat(model.behaviours()).as(model.code()).contains(input.behaviour()))));
    }

    @Test
    void sizesAreThoseOfThingsThatGoIntoWalls() {
        assertSoftly(softly -> models.forEach(model -> model.body().ifPresent(body -> {
            softly.assertThat(body.width()).as(model.code()).isGreaterThan(body.thickness());
            softly.assertThat(body.length().asDouble()).as(model.code()).isBetween(30.0, 70.0);
        })));
    }
}
