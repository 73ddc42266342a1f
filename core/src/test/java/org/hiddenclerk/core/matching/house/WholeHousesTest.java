package org.hiddenclerk.core.matching.house;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.StringJoiner;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.module.Estimates;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.matching.module.Wish;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.testing.WordForWord;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.SpecialRuns;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Houses judged whole, word for word: what there is to settle, every verdict with its reasons, every option with what it takes. That
 * it is what each box alone would say, {@link HouseMatchTest} tells.
 */
class WholeHousesTest {
    private static final List<ModuleModel> MODELS = List.of(
            Modules.withNeutral(1, 2, Modules.generous()),
            Modules.twoWire(20, Modules.generous()),
            Modules.blinking(),
            Modules.receiver(),
            Modules.sender(),
            Modules.voltFree());
    private static final List<String> RUNS = List.of(
            "one-way, feed at the switch",
            "one-way, feed at a junction box",
            "two-way, feed and lamp at A",
            "two-way, feed at the lamp",
            "two-way, another circuit in B");
    private static final Terms TERMS = new Terms(
            Estimates.USUAL,
            List.of(new Wish(Wish.Kind.KEEP_PLATES, false, ""), new Wish(Wish.Kind.METERING, false, "")));

    private record Judged(String name, HouseContext house, ConnectedBoxes run) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Judged> runs() {
        RegionProfile region = RegionProfile.EU_230;
        return Stream.concat(
                Topologies.all(region).entrySet().stream()
                        .filter(run -> RUNS.contains(run.getKey()))
                        .map(run -> new Judged(run.getKey(), Boxes.house(region), run.getValue())),
                Stream.of(new Judged("canopy", SpecialRuns.house(region), SpecialRuns.canopy(region, true))));
    }

    @ParameterizedTest
    @MethodSource("runs")
    void areJudgedAsBefore(Judged judged) {
        Map<String, Box> boxes = new LinkedHashMap<>();
        judged.run().boxes().forEach(place -> boxes.put(place.id(), place.box()));
        HouseMatch.Result result =
                new HouseMatch(new HouseSurvey(judged.house(), boxes, Map.of()), MODELS, TERMS).matchBehind();
        StringJoiner text = new StringJoiner("\n", "", "\n");
        result.units().forEach(unit -> text.add(unit.toString()));
        text.add("mute: " + result.mute());
        result.cells()
                .forEach(cell -> text.add(cell.units().stream().map(Unit::id).toList() + " " + cell.lead() + " "
                        + cell.scheme() + " " + cell.model().code()
                        + cell.companion().map(other -> " with " + other.code()).orElse("") + " " + cell.verdict() + " "
                        + new TreeSet<>(cell.codes())));
        result.refusals()
                .forEach(refusal -> text.add("no " + refusal.scheme() + " at " + refusal.lead() + " for "
                        + refusal.units().stream().map(Unit::id).toList() + " with "
                        + refusal.models().stream().map(ModuleModel::code).toList() + ": "
                        + new TreeSet<>(refusal.codes())));
        result.inTheWay()
                .forEach((unit, reason) -> text.add("in the way of " + unit.id() + ": " + reason.code() + " "
                        + new TreeSet<>(reason.modules()) + " " + reason.others()));
        result.options().forEach(option -> text.add(words(option)));
        WordForWord.isAsRead("matching/houses", judged.name(), text.toString());
    }

    private static String words(HouseOption option) {
        return option.number() + ". " + option.scheme() + " " + option.model().code() + " for " + option.gangs() + "/"
                + option.loads() + " fits "
                + option.fitted().stream()
                        .map(fit -> fit.model().code() + " in " + fit.box() + " links " + fit.links())
                        .collect(Collectors.joining(", "))
                + ", opens " + option.opened() + ", " + option.minutes() + " min, exchanges " + option.exchanged()
                + (option.silent() ? ", silent" : "") + (option.cut() ? ", cut off" : "") + ", wishes missed "
                + option.wishesMissed() + ", notes " + option.notes() + ", bypasses " + option.bypasses() + " "
                + option.bypass();
    }
}
