package org.hiddenclerk.app.stage.stock;

import com.fasterxml.jackson.annotation.JsonView;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.app.platform.access.Prices;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.BlinkTiming;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * A module of the stock book as it is stored, sent, imported and exported. What may be absent is unknown when it is, never zero.
 * The schema is published as {@code docs/formats/module.schema.json}.
 */
public record ModuleDocument(
        @NotBlank @Size(max = 40) @Pattern(regexp = "[A-Za-z0-9][A-Za-z0-9 ._/+-]*") String code,
        @NotBlank @Size(max = 80) String maker,
        @NotBlank @Size(max = 120) String name,
        @NotNull Protocol protocol,
        @NotNull Purpose purpose,
        @MayBeAbsent @DecimalMin("5") @DecimalMax("400") BigDecimal lengthMm,
        @MayBeAbsent @DecimalMin("5") @DecimalMax("400") BigDecimal widthMm,
        @MayBeAbsent @DecimalMin("3") @DecimalMax("400") BigDecimal thicknessMm,
        @MayBeAbsent @DecimalMin("0") @DecimalMax("50") BigDecimal cornerRadiusMm,
        @JsonView(Prices.class) @MayBeAbsent @Min(0) @Max(1_000_000) Integer priceCents,
        @MayBeAbsent @Size(max = 80) String supplier,
        @NotNull @Size(max = 8) Set<@NotBlank @Size(max = 8) String> markets,
        @NotNull @Valid SupplyEntry supply,
        @NotNull @Size(max = 8) List<@Valid @NotNull ChannelEntry> channels,
        @NotNull @Size(max = 8) List<@Valid @NotNull InputEntry> inputs,
        @NotNull @Size(max = 12) Set<@NotNull InputBehaviour> behaviours,
        @NotNull @Size(min = 2, max = 24) List<@Valid @NotNull TerminalEntry> terminals,
        boolean interlocked,
        @MayBeAbsent @DecimalMin("0.1") @DecimalMax("125") BigDecimal totalAmps,
        boolean metering,
        boolean worksWithoutInternet,
        @MayBeAbsent @Valid BlinkEntry blink,
        boolean dims,
        @MayBeAbsent DataSheet.MeshRole meshRole,
        @MayBeAbsent @Valid TemperatureEntry temperatures,
        @MayBeAbsent @Min(1) @Max(2000) Integer contactPeakAmps,
        @MayBeAbsent @Size(max = 8) List<@Valid @NotNull PairingEntry> pairing,
        @MayBeAbsent @Size(max = 12) List<@Valid @NotNull IndicatorEntry> indicators,
        @MayBeAbsent @Size(max = 8) List<@Valid @NotNull FirmwareEntry> firmware,
        @MayBeAbsent @Size(max = 80) String defaultFunction,
        @MayBeAbsent @Size(max = 16) List<@Valid @NotNull EndpointEntry> endpoints) {

    /** Longest and shortest break of the supply that counts, in milliseconds. */
    public record BlinkEntry(@Min(0) @Max(10_000) int minimumMs, @Min(0) @Max(60_000) int holdUpMs) {}

    /** Air around it, in degrees Celsius. */
    public record TemperatureEntry(@Min(-60) @Max(60) int lowest, @Min(0) @Max(120) int highest) {}

    /** A way into pairing. */
    public record PairingEntry(@NotBlank @Size(max = 200) String words, boolean overAir) {}

    /** What the indicator shows. */
    public record IndicatorEntry(@NotBlank @Size(max = 80) String state, @NotBlank @Size(max = 120) String pattern) {}

    /** A line of firmware. */
    public record FirmwareEntry(
            @NotBlank @Size(max = 40) String name,
            @NotBlank @Size(max = 40) String version,
            @NotNull @Size(max = 40) Set<@NotBlank @Size(max = 80) String> features) {}

    /** What the network sees of it. */
    public record EndpointEntry(@Min(0) @Max(255) int number, @NotBlank @Size(max = 80) String drives) {}

    /** Kinds of supply. */
    public enum SupplyType {
        LINE_NEUTRAL,
        TWO_WIRE,
        DC
    }

    /** How it is powered. */
    public record SupplyEntry(
            @NotNull SupplyType type,
            @NotNull @Size(min = 2, max = 2) List<@NotBlank @Size(max = 8) String> pins,
            @MayBeAbsent @DecimalMin("0") @DecimalMax("500") Double minVolts,
            @MayBeAbsent @DecimalMin("1") @DecimalMax("500") Double maxVolts,
            @MayBeAbsent @DecimalMin("0") @DecimalMax("50") Double watts,
            @MayBeAbsent @DecimalMin("0") @DecimalMax("200") Double standbyMilliamps,
            @MayBeAbsent @DecimalMin("0") @DecimalMax("500") Double minimumLoadWatts) {
        private Set<DataSheet.Unstated> unstated() {
            Set<DataSheet.Unstated> unstated = EnumSet.noneOf(DataSheet.Unstated.class);
            if (minVolts == null) {
                unstated.add(DataSheet.Unstated.SUPPLY_RANGE);
            }
            if (type == SupplyType.TWO_WIRE && minimumLoadWatts == null) {
                unstated.add(DataSheet.Unstated.MINIMUM_LOAD);
            }
            if (type == SupplyType.TWO_WIRE && standbyMilliamps == null) {
                unstated.add(DataSheet.Unstated.STANDBY_CURRENT);
            }
            return unstated;
        }

        private ModuleSupply toSupply() {
            OptionalDouble max = maxVolts == null ? OptionalDouble.empty() : OptionalDouble.of(maxVolts);
            double min = minVolts == null ? 0 : minVolts;
            return switch (type) {
                case LINE_NEUTRAL -> new ModuleSupply.LineNeutral(pins.get(0), pins.get(1), min, max, draw());
                case TWO_WIRE ->
                    new ModuleSupply.TwoWire(
                            pins.get(0),
                            pins.get(1),
                            min,
                            max,
                            standbyMilliamps == null
                                    ? DataSheet.USUAL_STANDBY_MILLIAMPS.doubleValue()
                                    : standbyMilliamps,
                            minimumLoadWatts == null ? DataSheet.USUAL_MINIMUM_LOAD.doubleValue() : minimumLoadWatts);
                case DC -> new ModuleSupply.DirectCurrent(pins.get(0), pins.get(1), min, max, draw());
            };
        }

        private double draw() {
            return watts == null || watts == 0 ? ModuleSupply.LineNeutral.DEFAULT_WATTS : watts;
        }
    }

    /** A contact. */
    public record ChannelEntry(
            @NotBlank @Size(max = 8) String id,
            @NotBlank @Size(max = 8) String from,
            @NotBlank @Size(max = 8) String to,
            @NotNull @Size(max = 20) List<@Valid @NotNull RatingEntry> ratings) {
        private Channel toChannel() {
            return new Channel(
                    id,
                    from,
                    to,
                    ratings.stream()
                            .map(r -> new ContactRating(r.load(), optional(r.watts()), optional(r.amps())))
                            .toList());
        }
    }

    /** What a contact carries of one kind of load; watts, amperes, or both. */
    public record RatingEntry(
            @NotNull LoadKind load,
            @MayBeAbsent @DecimalMin("0.1") @DecimalMax("30000") Double watts,
            @MayBeAbsent @DecimalMin("0.01") @DecimalMax("125") Double amps) {}

    /** A switch input. */
    public record InputEntry(
            @NotBlank @Size(max = 8) String id,
            @NotNull @Size(max = 2) List<@NotBlank @Size(max = 8) String> pins,
            @MayBeAbsent @Size(max = 8) String activeWith,
            @NotNull Input.Potential potential,
            @NotNull InputBehaviour behaviour,
            @MayBeAbsent @Size(max = 8) String channel) {
        private Input toInput() {
            return new Input(
                    id,
                    pins,
                    Optional.ofNullable(activeWith),
                    potential,
                    behaviour,
                    Optional.ofNullable(channel),
                    Optional.empty());
        }
    }

    /** A terminal, or a flying lead when its length is given. */
    public record TerminalEntry(
            @NotBlank @Size(max = 8) String name,
            @Min(1) @Max(6) int takes,
            @MayBeAbsent @DecimalMin("0.2") @DecimalMax("35") BigDecimal maxMm2,
            @MayBeAbsent @Min(20) @Max(1000) Integer leadMm) {}

    private static OptionalDouble optional(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    /** What contradicts itself, each with its pointer. */
    List<FieldProblem> problems() {
        List<FieldProblem> problems = new ArrayList<>();
        Set<String> names = new HashSet<>();
        terminals.forEach(t -> names.add(t.name()));
        if (names.size() < terminals.size()) {
            problems.add(new FieldProblem("/terminals", "two of one name", "every name once"));
        }
        for (int i = 0; i < channels.size(); i++) {
            String at = "/channels/" + i;
            require(names, channels.get(i).from(), at + "/from", problems);
            require(names, channels.get(i).to(), at + "/to", problems);
            for (int r = 0; r < channels.get(i).ratings().size(); r++) {
                RatingEntry rating = channels.get(i).ratings().get(r);
                if (rating.watts() == null && rating.amps() == null) {
                    problems.add(new FieldProblem(
                            at + "/ratings/" + r,
                            "no figure",
                            "watts, amps or both; leave the kind out where it is unknown"));
                }
            }
        }
        for (int i = 0; i < inputs.size(); i++) {
            for (String pin : inputs.get(i).pins()) {
                require(names, pin, "/inputs/" + i + "/pins", problems);
            }
            if (!behaviours.contains(inputs.get(i).behaviour())) {
                problems.add(new FieldProblem(
                        "/inputs/" + i + "/behaviour",
                        inputs.get(i).behaviour().name(),
                        "one of the behaviours that it can be set to"));
            }
        }
        supply.pins().forEach(pin -> require(names, pin, "/supply/pins", problems));
        boolean anySize = lengthMm != null || widthMm != null || thicknessMm != null;
        boolean allSizes = lengthMm != null && widthMm != null && thicknessMm != null;
        if (anySize && !allSizes) {
            problems.add(new FieldProblem("/lengthMm", "some sides only", "all three sides, or none"));
        }
        if (supply.minVolts() != null && supply.maxVolts() != null && supply.minVolts() > supply.maxVolts()) {
            problems.add(new FieldProblem(
                    "/supply/maxVolts", supply.maxVolts().toString(), "at least " + supply.minVolts()));
        }
        if (problems.isEmpty()) {
            try {
                toModel();
            } catch (IllegalArgumentException e) {
                problems.add(new FieldProblem("", code, String.valueOf(e.getMessage())));
            }
        }
        return problems;
    }

    private static void require(Set<String> names, String pin, String at, List<FieldProblem> problems) {
        if (!names.contains(pin)) {
            problems.add(new FieldProblem(at, pin, "the name of one of its terminals"));
        }
    }

    /** @throws IllegalArgumentException when it contradicts itself */
    ModuleModel toModel() {
        return new ModuleModel(
                code,
                maker,
                name,
                protocol,
                purpose,
                supply.toSupply(),
                channels.stream().map(ChannelEntry::toChannel).toList(),
                inputs.stream().map(InputEntry::toInput).toList(),
                behaviours,
                interlocked,
                Optional.ofNullable(totalAmps).map(Amps::of),
                terminals.stream()
                        .map(t -> new Terminal(
                                t.name(),
                                t.takes(),
                                Optional.ofNullable(t.maxMm2()),
                                Optional.ofNullable(t.leadMm()).map(Millimetres::of)))
                        .toList(),
                body(),
                markets,
                metering,
                worksWithoutInternet,
                integer(priceCents),
                Optional.ofNullable(blink).map(b -> new BlinkTiming(b.minimumMs(), b.holdUpMs())),
                sheet());
    }

    private Optional<Body> body() {
        return lengthMm == null
                ? Optional.empty()
                : Optional.of(new Body(
                        Millimetres.of(lengthMm),
                        Millimetres.of(widthMm),
                        Millimetres.of(thicknessMm),
                        cornerRadiusMm == null ? Millimetres.ZERO : Millimetres.of(cornerRadiusMm)));
    }

    private DataSheet sheet() {
        return new DataSheet(
                Optional.ofNullable(temperatures).map(t -> new DataSheet.Temperatures(t.lowest(), t.highest())),
                integer(contactPeakAmps),
                Optional.ofNullable(meshRole),
                optional(supply.watts()),
                dims,
                list(pairing).stream()
                        .map(p -> new DataSheet.PairingWay(p.words(), p.overAir()))
                        .toList(),
                list(indicators).stream()
                        .map(i -> new DataSheet.Indicator(i.state(), i.pattern()))
                        .toList(),
                list(firmware).stream()
                        .map(f -> new DataSheet.FirmwareLine(f.name(), f.version(), f.features()))
                        .toList(),
                Optional.ofNullable(defaultFunction),
                list(endpoints).stream()
                        .map(e -> new DataSheet.Endpoint(e.number(), e.drives()))
                        .toList(),
                supply.unstated());
    }

    private static OptionalInt integer(Integer value) {
        return value == null ? OptionalInt.empty() : OptionalInt.of(value);
    }

    private static <T> List<T> list(List<T> list) {
        return list == null ? List.of() : list;
    }

    /** Figures that nobody states, in words. */
    List<String> unknown() {
        List<String> unknown = new ArrayList<>();
        add(unknown, lengthMm == null, "size");
        add(unknown, priceCents == null, "price");
        add(unknown, temperatures == null, "temperatures");
        add(unknown, contactPeakAmps == null, "contact peak");
        add(unknown, meshRole == null, "role in the mesh");
        supply.unstated().forEach(what -> unknown.add(what.label().replace("the ", "")));
        add(unknown, markets.isEmpty(), "approvals");
        add(unknown, list(pairing).isEmpty(), "ways into pairing");
        add(unknown, list(firmware).isEmpty(), "firmware");
        add(
                unknown,
                !channels.isEmpty() && channels.get(0).ratings().stream().noneMatch(r -> r.load() == LoadKind.LED_LAMP),
                "LED rating");
        return unknown;
    }

    private static void add(List<String> unknown, boolean missing, String what) {
        if (missing) {
            unknown.add(what);
        }
    }

    /** Without what it costs and where it is bought, on which no verdict depends. */
    ModuleDocument withoutTrade() {
        return new ModuleDocument(
                code,
                maker,
                name,
                protocol,
                purpose,
                lengthMm,
                widthMm,
                thicknessMm,
                cornerRadiusMm,
                null,
                null,
                new TreeSet<>(markets),
                supply,
                channels,
                inputs,
                new TreeSet<>(behaviours),
                terminals,
                interlocked,
                totalAmps,
                metering,
                worksWithoutInternet,
                blink,
                dims,
                meshRole,
                temperatures,
                contactPeakAmps,
                pairing,
                indicators,
                firmware,
                defaultFunction,
                endpoints);
    }
}
