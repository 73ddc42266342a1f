package org.hiddenclerk.core.matching.house;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.matching.house.EquivalenceClass.Case;
import org.hiddenclerk.core.matching.house.EquivalenceClass.Fit;
import org.hiddenclerk.core.matching.house.HouseMemory.RuleOutcome;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.room.BoxHeat;
import org.hiddenclerk.core.matching.room.ModulesInPlace;
import org.hiddenclerk.core.matching.room.RoomInBox;
import org.hiddenclerk.core.quantity.Millimetres;

/** Boxes of one run that a drawn scheme puts modules into, with what is known of room and warmth there whatever the module. */
final class FittedPlaces {
    /** Nothing is found about warmth this far below a limit, in kelvin; or below this without a limit. */
    private static final int FAR_BELOW = 6;

    private static final int COOL = 35;

    private final HouseMemory memory;
    private final List<Place> places = new ArrayList<>();
    private final Optional<ModuleModel> companion;
    private final boolean lampUnknown;
    /** What all places together make of a body. */
    private final RuleOutcome[] together;

    private final BigDecimal thickest;
    private final boolean metal;

    FittedPlaces(HouseSurvey survey, HouseMemory memory, List<String> run, Case drawn) {
        this.memory = memory;
        companion = drawn.companion();
        Map<Integer, List<Fit>> byBox = new TreeMap<>();
        drawn.fitted().forEach(fit -> byBox.computeIfAbsent(fit.box(), b -> new ArrayList<>())
                .add(fit));
        lampUnknown = byBox.remove(-1) != null;
        byBox.forEach((index, here) -> places.add(new Place(survey.boxes().get(run.get(index)), here)));
        List<Box> boxes = places.stream().map(place -> place.box).toList();
        thickest = ModuleMatch.thickest(boxes);
        metal = ModuleMatch.isMetal(boxes);
        together = memory.table(
                new TableKey.Rooms(
                        lampUnknown, places.stream().map(place -> place.key).toList()),
                memory.shapes().bodies());
    }

    /** A box with what goes into it. */
    private final class Place {
        private final Box box;
        private final List<Fit> fits;
        private final TableKey.Room key;
        private final RuleOutcome[] rooms;
        private final RoomInBox.Placer placer;
        private final int own;
        private final double othersWatts;
        private final double kelvinPerWatt;
        private final int around;

        private Place(Box box, List<Fit> fits) {
            this.box = box;
            this.fits = fits;
            key = new TableKey.Room(
                    memory.room(RoomKey.of(box)),
                    fits.stream()
                            .map(fit ->
                                    fit.own() ? "own" : companion.orElseThrow().code())
                            .toList(),
                    fits.get(0).connectors());
            rooms = memory.table(key, memory.shapes().bodies());
            placer = memory.placer(box);
            own = (int) fits.stream().filter(Fit::own).count();
            double nominal = memory.region().nominalVolts().asDouble();
            othersWatts = fits.size() == own
                    ? 0
                    : (fits.size() - own) * BoxHeat.standbyHeat(companion.orElseThrow(), nominal);
            kelvinPerWatt = box.geometry().map(BoxHeat::kelvinPerWatt).orElse(0.0);
            around = BoxHeat.around(box.kind());
        }

        private RuleOutcome room(int index) {
            return HouseMemory.entry(rooms, memory.shapes().bodyOf(index), () -> RoomInBox.of(
                            box,
                            modules(memory.shapes().model(index)),
                            memory.region(),
                            fits.get(0).connectors(),
                            placer)
                    .findings());
        }

        private List<ModuleModel> modules(ModuleModel own) {
            return fits.stream()
                    .map(fit -> fit.own() ? own : companion.orElse(own))
                    .toList();
        }
    }

    /** What the room in a box depends on beside the modules. */
    record RoomKey(
            Optional<BoxGeometry> geometry,
            BoxKind kind,
            List<Gang> gangs,
            List<Cable> cables,
            List<SurveyedModule> inPlace) {
        record Gang(Millimetres depth, Mechanism mechanism) {}

        record Cable(BigDecimal mm2, List<Role> roles) {}

        static RoomKey of(Box box) {
            return new RoomKey(
                    box.geometry(),
                    box.kind(),
                    box.gangs().stream()
                            .map(g -> new Gang(g.depth(), g.mechanism()))
                            .toList(),
                    box.cables().stream()
                            .map(c -> new Cable(
                                    c.mm2(),
                                    c.cores().stream().map(core -> core.role()).toList()))
                            .toList(),
                    box.modules());
        }
    }

    /** Cross-section of the thickest core in the boxes, in mm². */
    BigDecimal thickest() {
        return thickest;
    }

    boolean isMetal() {
        return metal;
    }

    /** What is found about room, by the class of a module's body; filled by {@link #room}. */
    RuleOutcome[] rooms() {
        return isOne() ? places.get(0).rooms : together;
    }

    private boolean isOne() {
        return places.size() == 1 && !lampUnknown;
    }

    /** @param index the module, by its place in the stock book */
    RuleOutcome room(int index) {
        if (isOne()) {
            return places.get(0).room(index);
        }
        int body = memory.shapes().bodyOf(index);
        if (together[body] == null) {
            EnumSet<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
            if (lampUnknown) {
                codes.add(FindingCode.ROOM_UNKNOWN);
            }
            places.forEach(place -> codes.addAll(place.room(index).codes()));
            together[body] = RuleOutcome.of(codes);
        }
        return together[body];
    }

    /** @param contactHeat what the contacts of the module turn into heat, in watts */
    RuleOutcome warmth(int index, double contactHeat) {
        double standby = memory.standbyHeat(index);
        int limit = memory.shapes()
                .model(index)
                .sheet()
                .temperatures()
                .map(t -> t.highest() - FAR_BELOW)
                .orElse(COOL);
        RuleOutcome warmth = RuleOutcome.NOTHING;
        for (Place place : places) {
            double heat = contactHeat + place.own * standby + place.othersWatts;
            double inside = place.around + (heat + ModulesInPlace.watts(place.box)) * place.kelvinPerWatt;
            if (place.own > 0 && place.kelvinPerWatt > 0 && inside > limit) {
                EnumSet<FindingCode> codes = EnumSet.copyOf(warmth.codes());
                codes.addAll(
                        FindingCode.of(BoxHeat.judge(place.box, memory.shapes().model(index), heat)
                                .findings()));
                warmth = RuleOutcome.of(codes);
            }
        }
        return warmth;
    }
}
