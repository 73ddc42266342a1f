package org.hiddenclerk.app.stock;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.BlinkTiming;
import org.hiddenclerk.core.catalogue.Catalogue;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.electrical.Channel;
import org.hiddenclerk.core.electrical.ContactRating;
import org.hiddenclerk.core.electrical.Input;
import org.hiddenclerk.core.electrical.LoadKind;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Millimetres;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** The modules that ship with the application. */
@Component
public class StockBook {
    private final Catalogue catalogue;

    StockBook(JsonMapper json) {
        try (InputStream source = StockBook.class.getResourceAsStream("/stock/modules.json")) {
            ModuleEntry[] entries = json.readValue(source, ModuleEntry[].class);
            catalogue = new Catalogue(java.util.Arrays.stream(entries).map(ModuleEntry::toModel).toList());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public Catalogue catalogue() {
        return catalogue;
    }

    /** The module, or a problem at the pointer. */
    public ModuleModel require(String code, String pointer) {
        return catalogue.find(code).orElseThrow(() -> Unusable.content("The choice cannot be kept",
                new FieldProblem(pointer, code, "the code of a module in the stock book")));
    }

    record ModuleEntry(String code, String maker, String name, Protocol protocol, Purpose purpose, BigDecimal lengthMm,
                       BigDecimal widthMm, BigDecimal thicknessMm, int priceCents, Set<String> markets,
                       SupplyEntry supply, List<ChannelEntry> channels, List<InputEntry> inputs,
                       Set<InputBehaviour> behaviours, List<TerminalEntry> terminals, boolean interlocked,
                       BigDecimal totalAmps, boolean metering, boolean worksWithoutInternet, BlinkEntry blink) {
        ModuleModel toModel() {
            return new ModuleModel(code, maker, name, protocol, purpose, supply.toSupply(),
                    channels.stream().map(ChannelEntry::toChannel).toList(),
                    inputs.stream().map(InputEntry::toInput).toList(), behaviours, interlocked,
                    Optional.ofNullable(totalAmps).map(Amps::of),
                    terminals.stream().map(t -> new Terminal(t.name(), t.takes(), t.maxMm2())).toList(),
                    Millimetres.of(lengthMm), Millimetres.of(widthMm), Millimetres.of(thicknessMm), markets, metering,
                    worksWithoutInternet, priceCents,
                    Optional.ofNullable(blink).map(b -> new BlinkTiming(b.minimumMs(), b.holdUpMs())));
        }
    }

    record BlinkEntry(int minimumMs, int holdUpMs) {
    }

    record SupplyEntry(String type, List<String> pins, double minVolts, Double maxVolts, Double watts,
                       Double standbyMilliamps, Double minimumLoadWatts) {
        ModuleSupply toSupply() {
            OptionalDouble max = maxVolts == null ? OptionalDouble.empty() : OptionalDouble.of(maxVolts);
            return switch (type) {
                case "LINE_NEUTRAL" -> new ModuleSupply.LineNeutral(pins.get(0), pins.get(1), minVolts, max, watts);
                case "TWO_WIRE" -> new ModuleSupply.TwoWire(pins.get(0), pins.get(1), minVolts, max, standbyMilliamps,
                        minimumLoadWatts);
                case "DC" -> new ModuleSupply.DirectCurrent(pins.get(0), pins.get(1), minVolts, max, watts);
                default -> throw new IllegalArgumentException("The supply (" + type + ") is none that is known.");
            };
        }
    }

    record ChannelEntry(String id, String from, String to, List<RatingEntry> ratings) {
        Channel toChannel() {
            return new Channel(id, from, to, ratings.stream().map(r -> new ContactRating(r.load(),
                    r.watts() == null ? OptionalDouble.empty() : OptionalDouble.of(r.watts()),
                    r.amps() == null ? OptionalDouble.empty() : OptionalDouble.of(r.amps()))).toList());
        }
    }

    record RatingEntry(LoadKind load, Double watts, Double amps) {
    }

    record InputEntry(String id, List<String> pins, String activeWith, Input.Potential potential,
                      InputBehaviour behaviour, String channel) {
        Input toInput() {
            return new Input(id, pins, Optional.ofNullable(activeWith), potential, behaviour,
                    Optional.ofNullable(channel), Optional.empty());
        }
    }

    record TerminalEntry(String name, int takes, BigDecimal maxMm2) {
    }
}
