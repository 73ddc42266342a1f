package org.hiddenclerk.app.stage.planning;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Between picks as sent, as rows and as assignments of the core. */
@Component
class Picks {
    private static final TypeReference<Map<String, String>> FINGERPRINTS = new TypeReference<>() {};

    private final StockBook stock;
    private final JsonMapper json;

    Picks(StockBook stock, JsonMapper json) {
        this.stock = stock;
        this.json = json;
    }

    /** @throws ProblemException with the pointer of the pick that can't be */
    List<Assignment> assignments(List<PickEntry> picks, Box box) {
        List<Assignment> assignments = new ArrayList<>();
        List<FieldProblem> problems = new ArrayList<>();
        Set<Integer> taken = new HashSet<>();
        for (int i = 0; i < picks.size(); i++) {
            PickEntry pick = picks.get(i);
            String at = "/picks/" + i;
            ModuleModel model = stock.require(pick.moduleCode(), at + "/moduleCode");
            Optional<ModuleModel> companion =
                    Optional.ofNullable(pick.companionCode()).map(code -> stock.require(code, at + "/companionCode"));
            SchemeCode scheme = Optional.ofNullable(pick.scheme()).orElseGet(() -> Assignment.usualScheme(model));
            int positions = pick.gangs().size() + pick.loads().size();
            int most = model.channels().isEmpty() ? 0 : Assignment.most(scheme, model, companion);
            if (positions == 0 || positions > most) {
                problems.add(new FieldProblem(
                        at + "/gangs",
                        positions + " gangs",
                        "1 to " + most + ", one for each channel of " + model.code() + " or each input of the sender"));
                continue;
            }
            ModuleModel reader = Assignment.reader(scheme, model, companion);
            for (int load : pick.loads()) {
                if (box.loads().stream().noneMatch(l -> l.number() == load && l.hangsHere())) {
                    problems.add(new FieldProblem(at + "/loads", "load " + load, "a load that hangs in this box"));
                }
            }
            for (int gang : pick.gangs()) {
                if (gang < 1 || gang > box.gangs().size() || !taken.add(gang)) {
                    problems.add(new FieldProblem(
                            at + "/gangs", "gang " + gang, "a gang of this box that no other pick has"));
                }
            }
            pick.behaviours().forEach((gang, behaviour) -> {
                if (!reader.behaviours().contains(behaviour)) {
                    problems.add(new FieldProblem(
                            at + "/behaviours/" + gang,
                            behaviour.name(),
                            "one that " + reader.code() + " can be set to: "
                                    + reader.behaviours().stream()
                                            .map(Enum::name)
                                            .sorted()
                                            .toList()));
                }
            });
            assignments.add(new Assignment(
                    scheme,
                    model,
                    pick.gangs(),
                    pick.loads(),
                    pick.behaviours(),
                    Optional.ofNullable(pick.bypassWatts()).map(Watts::of),
                    companion,
                    Optional.ofNullable(pick.spacerMm()).map(Millimetres::of)));
        }
        if (!problems.isEmpty()) {
            throw ProblemException.content("The choice cannot be kept", problems);
        }
        return assignments;
    }

    /** What the stock book says of the modules of some picks, as far as a verdict depends on it, by code. */
    Map<String, String> modules(List<BoxRow.PickPart> rows) {
        Map<String, String> modules = new TreeMap<>();
        rows.forEach(row -> {
            stock.fingerprint(row.moduleCode()).ifPresent(print -> modules.put(row.moduleCode(), print));
            Optional.ofNullable(row.companionCode())
                    .flatMap(code -> stock.fingerprint(code).map(print -> Map.entry(code, print)))
                    .ifPresent(e -> modules.put(e.getKey(), e.getValue()));
        });
        return modules;
    }

    /** Whether the stock book still says of modules what it said when a plan was issued. */
    boolean areAsIssued(Optional<String> modules) {
        return modules.isEmpty()
                || json.readValue(modules.get(), FINGERPRINTS).entrySet().stream()
                        .allMatch(e -> stock.fingerprint(e.getKey())
                                .filter(e.getValue()::equals)
                                .isPresent());
    }

    static List<BoxRow.PickPart> toRows(List<PickEntry> picks) {
        List<BoxRow.PickPart> rows = new ArrayList<>();
        for (int i = 0; i < picks.size(); i++) {
            PickEntry pick = picks.get(i);
            Long bypass = pick.bypassWatts() == null
                    ? null
                    : Watts.of(pick.bypassWatts()).milliwatts();
            for (int gang : pick.gangs()) {
                rows.add(new BoxRow.PickPart(
                        gang,
                        null,
                        i + 1,
                        pick.scheme(),
                        pick.moduleCode(),
                        pick.companionCode(),
                        pick.behaviours().getOrDefault(gang, InputBehaviour.EVERY_FLIP),
                        bypass,
                        pick.spacerMm()));
            }
            for (int load : pick.loads()) {
                rows.add(new BoxRow.PickPart(
                        0,
                        load,
                        i + 1,
                        pick.scheme(),
                        pick.moduleCode(),
                        pick.companionCode(),
                        InputBehaviour.EVERY_FLIP,
                        bypass,
                        pick.spacerMm()));
            }
        }
        return rows;
    }

    static List<PickEntry> fromRows(List<BoxRow.PickPart> rows) {
        Map<Integer, List<BoxRow.PickPart>> byModule = new TreeMap<>();
        rows.forEach(row ->
                byModule.computeIfAbsent(row.module(), m -> new ArrayList<>()).add(row));
        List<PickEntry> picks = new ArrayList<>();
        for (List<BoxRow.PickPart> module : byModule.values()) {
            Map<Integer, InputBehaviour> behaviours = new LinkedHashMap<>();
            List<BoxRow.PickPart> ofGangs =
                    module.stream().filter(row -> row.loadNumber() == null).toList();
            ofGangs.forEach(row -> behaviours.put(row.gang(), row.behaviour()));
            Long bypass = module.get(0).bypassMw();
            picks.add(new PickEntry(
                    module.get(0).moduleCode(),
                    ofGangs.stream().map(BoxRow.PickPart::gang).toList(),
                    behaviours,
                    bypass == null ? null : new Watts(bypass).asDecimal(),
                    module.get(0).scheme(),
                    module.stream()
                            .map(BoxRow.PickPart::loadNumber)
                            .filter(java.util.Objects::nonNull)
                            .toList(),
                    module.get(0).companionCode(),
                    module.get(0).spacerMm()));
        }
        return picks;
    }
}
