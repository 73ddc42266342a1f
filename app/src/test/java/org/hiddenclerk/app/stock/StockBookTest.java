package org.hiddenclerk.app.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.electrical.Part;
import org.hiddenclerk.core.electrical.PartId;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** The modules that ship: enough kinds of them, and none that contradicts itself. */
class StockBookTest {
    private final List<ModuleModel> models = new StockBook(JsonMapper.builder().build()).catalogue().models();

    @Test
    void thereAreEnoughOfEveryKind() {
        assertThat(models).hasSizeGreaterThanOrEqualTo(20);
        assertThat(models).extracting(ModuleModel::protocol).contains(Protocol.values());
        assertThat(models).extracting(ModuleModel::purpose).contains(Purpose.values());
        assertThat(new TreeSet<>(models.stream().map(m -> m.channels().size()).toList())).containsExactly(0, 1, 2, 3, 4);
        assertThat(models).anySatisfy(m -> assertThat(m.supply()).isInstanceOf(ModuleSupply.TwoWire.class))
                .anySatisfy(m -> assertThat(m.supply()).isInstanceOf(ModuleSupply.DirectCurrent.class))
                .anySatisfy(m -> assertThat(m.hasWetContacts()).isFalse());
    }

    @Test
    void everyPinHasATerminalAndEveryTerminalAPin() {
        assertSoftly(softly -> models.forEach(model -> {
            Part fitted = model.isSender() ? new Part.Sender(new PartId("K"), model.inputs(), java.util.Map.of())
                    : new Part.FittedModule(new PartId("K"), model.supply(), model.channels(), model.inputs(),
                            model.interlocked(), java.util.Map.of());
            Set<String> terminals = new HashSet<>(model.terminals().stream().map(Terminal::name).toList());
            softly.assertThat(terminals).as(model.code()).isEqualTo(new HashSet<>(fitted.pinNames()));
        }));
    }

    @Test
    void everyModuleCanBeSetToWhatItComesWith() {
        assertSoftly(softly -> models.forEach(model -> model.inputs().forEach(input ->
                softly.assertThat(model.behaviours()).as(model.code()).contains(input.behaviour()))));
    }

    @Test
    void sizesAreThoseOfThingsThatGoIntoWalls() {
        assertSoftly(softly -> models.forEach(model -> {
            softly.assertThat(model.length()).as(model.code()).isGreaterThanOrEqualTo(model.width());
            softly.assertThat(model.width()).as(model.code()).isGreaterThan(model.thickness());
            softly.assertThat(model.length().asDouble()).as(model.code()).isBetween(30.0, 70.0);
        }));
    }
}
