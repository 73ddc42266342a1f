package org.hiddenclerk.core.matching;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.matching.HouseMemory.Part;
import org.hiddenclerk.core.matching.TwinClass.Case;
import org.hiddenclerk.core.matching.TwinClass.Fit;

/** Boxes of one run that a drawn scheme puts modules into, with what is known of room and warmth there whatever the module. */
final class FittedPlaces {
    /** Nothing is found about warmth this far below a limit, in kelvin; or below this without a limit. */
    private static final int FAR_BELOW = 6;
    private static final int COOL = 35;

    private final HouseMemory memory;
    private final List<Box> boxes = new ArrayList<>();
    private final List<List<Fit>> fits = new ArrayList<>();
    private final List<Part[]> rooms = new ArrayList<>();
    private final Optional<ModuleModel> companion;
    private final boolean lampUnknown;

    FittedPlaces(HouseSurvey survey, HouseMemory memory, List<String> run, Case drawn) {
        this.memory = memory;
        companion = drawn.companion();
        Map<Integer, List<Fit>> byBox = new TreeMap<>();
        drawn.fitted().forEach(fit -> byBox.computeIfAbsent(fit.box(), b -> new ArrayList<>()).add(fit));
        lampUnknown = byBox.remove(-1) != null;
        byBox.forEach((index, here) -> {
            Box box = survey.boxes().get(run.get(index));
            boxes.add(box);
            fits.add(here);
            rooms.add(memory.table(List.of("room", RoomKey.of(box), here.stream().map(fit -> fit.own() ? "own" : companion.orElseThrow()
                    .code()).toList(), here.get(0).connectors()), memory.shapes().bodies()));
        });
    }

    /** What the room in a box depends on beside the modules. */
    private record RoomKey(Optional<BoxGeometry> geometry, BoxKind kind, List<Object> gangs, List<Object> cores) {
        static RoomKey of(Box box) {
            return new RoomKey(box.geometry(), box.kind(), box.gangs().stream().<Object>map(g -> List.of(g.depth(), g.mechanism())).toList(),
                    box.cables().stream().<Object>map(c -> List.of(c.mm2(), c.cores().stream().map(core -> core.role()).toList())).toList());
        }
    }

    BigDecimal thickest() {
        return ModuleMatch.thickest(boxes);
    }

    boolean isMetal() {
        return ModuleMatch.isMetal(boxes);
    }

    /** @param index the module, by its place in the stock book */
    Part room(int index) {
        if (boxes.size() == 1 && !lampUnknown) {
            return room(0, index);
        }
        EnumSet<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
        if (lampUnknown) {
            codes.add(FindingCode.ROOM_UNKNOWN);
        }
        for (int place = 0; place < boxes.size(); place++) {
            codes.addAll(room(place, index).codes());
        }
        return Part.of(codes);
    }

    private Part room(int place, int index) {
        return HouseMemory.entry(rooms.get(place), memory.shapes().bodyOf(index), () -> RoomInBox.of(boxes.get(place),
                modelsAt(place, memory.shapes().model(index)), memory.region(), fits.get(place).get(0).connectors()).findings());
    }

    private List<ModuleModel> modelsAt(int place, ModuleModel own) {
        return fits.get(place).stream().map(fit -> fit.own() ? own : companion.orElse(own)).toList();
    }

    /** @param contactHeat what the contacts of the module turn into heat, in watts */
    Part warmth(int index, double contactHeat) {
        EnumSet<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
        ModuleModel model = memory.shapes().model(index);
        double volts = memory.region().nominalVolts().asDouble();
        int limit = model.sheet().temperatures().map(t -> t.highest() - FAR_BELOW).orElse(COOL);
        for (int place = 0; place < boxes.size(); place++) {
            Box box = boxes.get(place);
            if (box.geometry().isEmpty() || fits.get(place).stream().noneMatch(Fit::own)) {
                continue;
            }
            double heat = contactHeat;
            for (Fit fit : fits.get(place)) {
                heat += BoxHeat.standbyHeat(fit.own() ? model : companion.orElse(model), volts);
            }
            if (BoxHeat.inside(BoxHeat.around(box.kind()), box.geometry().get(), heat) > limit) {
                codes.addAll(FindingCode.of(BoxHeat.judge(box, model, heat).findings()));
            }
        }
        return codes.isEmpty() ? Part.NOTHING : Part.of(codes);
    }
}
