package org.hiddenclerk.app.job.settings;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.UUID;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.allocation.Weights;
import org.hiddenclerk.core.matching.module.Wish;
import org.hiddenclerk.core.radio.FloorPlan;
import org.hiddenclerk.core.radio.Material;
import org.hiddenclerk.core.radio.RadioPlan;
import org.hiddenclerk.core.radio.RoomShape;

/**
 * What a house wants, how its plan is weighed, and where its rooms are.
 *
 * @param storeyHeight  from floor to floor, in metres
 * @param wifiChannels  that access points here and next door use, at 2.4 GHz
 * @param zigbeeChannel that the house's network is on, if there is one
 */
public record HouseDocument(
        @NotNull @Size(max = 20) List<@Valid @NotNull WishEntry> wishes,
        @NotNull @Valid WeightsEntry weights,
        boolean oneMaker,
        @NotNull @Size(max = 200) List<@Valid @NotNull RoomEntry> rooms,
        @DecimalMin("2") @DecimalMax("8") double storeyHeight,
        @NotNull Material floors,
        @NotNull @Size(max = 20) List<@Valid @NotNull AnchorEntry> anchors,
        @MayBeAbsent @Size(max = 14) List<@NotNull @Min(1) @Max(14) Integer> wifiChannels,
        @MayBeAbsent @Min(11) @Max(26) Integer zigbeeChannel) {
    static final HouseDocument USUAL = new HouseDocument(
            List.of(),
            WeightsEntry.of(Weights.USUAL),
            false,
            List.of(),
            2.8,
            Material.CONCRETE,
            List.of(),
            List.of(),
            null);

    public HouseDocument {
        wifiChannels = wifiChannels == null
                ? List.of()
                : wifiChannels.stream().distinct().sorted().toList();
    }

    /** Something wanted of every module. */
    public record WishEntry(@NotNull Wish.Kind kind, boolean must, @NotNull @Size(max = 80) String detail) {}

    /** What the parts of a plan count, in cents; shares in percent. */
    public record WeightsEntry(
            @Min(0) @Max(1000) int pricePercent,
            @Min(0) @Max(1_000_000) int kind,
            @Min(0) @Max(1_000_000) int maker,
            @Min(0) @Max(1_000_000) int box,
            @Min(0) @Max(100_000) int minute,
            @Min(0) @Max(1_000_000) int exchanged,
            @Min(0) @Max(1_000_000) int silent,
            @Min(0) @Max(1_000_000) int cut,
            @Min(0) @Max(1_000_000) int wish,
            @Min(0) @Max(1_000_000) int note,
            @Min(0) @Max(100) int stockPercent) {
        static WeightsEntry of(Weights w) {
            return new WeightsEntry(
                    w.pricePercent(),
                    w.kind(),
                    w.maker(),
                    w.box(),
                    w.minute(),
                    w.exchanged(),
                    w.silent(),
                    w.cut(),
                    w.wish(),
                    w.note(),
                    w.stockPercent());
        }

        /** @throws IllegalArgumentException when the shelf saves more than the price */
        public Weights toWeights() {
            return new Weights(
                    pricePercent,
                    kind,
                    maker,
                    box,
                    minute,
                    exchanged,
                    silent,
                    cut,
                    wish,
                    note,
                    stockPercent,
                    Weights.USUAL.open());
        }
    }

    /** A room as a rectangle, in metres; storeys are counted from the lowest. */
    public record RoomEntry(
            @NotNull UUID room,
            @Min(0) @Max(20) int storey,
            @DecimalMin("-500") @DecimalMax("500") double x,
            @DecimalMin("-500") @DecimalMax("500") double y,
            @DecimalMin("0.5") @DecimalMax("100") double width,
            @DecimalMin("0.5") @DecimalMax("100") double depth,
            @NotNull Material walls) {}

    /** A coordinator or access point. */
    public record AnchorEntry(
            @NotBlank @Size(max = 60) String name,
            @NotNull Protocol protocol,
            @NotNull UUID room,
            @MayBeAbsent @Min(1) @Max(5000) Integer takes) {}

    public List<Wish> toWishes() {
        return wishes.stream()
                .map(w -> new Wish(w.kind(), w.must(), w.detail()))
                .toList();
    }

    public RadioPlan radio(RegionProfile region) {
        Map<String, RoomShape> shapes = new LinkedHashMap<>();
        rooms.forEach(r -> shapes.put(
                r.room().toString(),
                new RoomShape(r.room().toString(), r.storey(), r.x(), r.y(), r.width(), r.depth(), r.walls())));
        return new RadioPlan(
                new FloorPlan(shapes, storeyHeight, floors),
                region,
                anchors.stream()
                        .map(a -> new RadioPlan.Anchor(
                                a.name(),
                                a.protocol(),
                                a.room().toString(),
                                a.takes() == null ? OptionalInt.empty() : OptionalInt.of(a.takes())))
                        .toList());
    }
}
