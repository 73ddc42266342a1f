package org.hiddenclerk.app.stage.choosing;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.settings.HouseSettings;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.app.stage.survey.SurveyMapping;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.house.HouseMatch;
import org.hiddenclerk.core.matching.house.HouseMemory;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Matches whole houses, and remembers what was judged for one state of the stock book and one set of terms. */
@Component
class HouseMatches {
    /** Memories that are kept; the oldest goes. */
    private static final int MEMORIES = 4;
    /** Plans after which a memory is begun anew. */
    private static final int MOST_PLANS = 60_000;

    private final Houses houses;
    private final Boxes boxes;
    private final StockBook stock;
    private final HouseSettings settings;
    private final JsonMapper json;
    private final Map<Basis, HouseMemory> memories = new LinkedHashMap<>();

    HouseMatches(Houses houses, Boxes boxes, StockBook stock, HouseSettings settings, JsonMapper json) {
        this.houses = houses;
        this.boxes = boxes;
        this.stock = stock;
        this.settings = settings;
        this.json = json;
    }

    private record Basis(List<ModuleModel> models, Terms terms, RegionProfile region) {}

    /** A house as it is now. */
    @Transactional(readOnly = true)
    public HouseSurvey survey(UUID job) {
        HouseContext house = houses.context(job);
        Map<String, Box> all = new LinkedHashMap<>();
        Map<String, String> rooms = new LinkedHashMap<>();
        for (BoxRow row : boxes.ofJob(job)) {
            all.put(row.id().toString(), boxes.read(row, house));
            rooms.put(row.id().toString(), row.roomId().toString());
        }
        return new HouseSurvey(house, all, rooms);
    }

    /**
     * What a choice for a house rests on, as a short text: another one once a survey, a wish or the stock book is
     * otherwise. What is picked is no part of it.
     */
    @Transactional(readOnly = true)
    public String restsOn(UUID job) {
        List<String> surveys = boxes.ofJob(job).stream()
                .map(row -> row.id() + json.writeValueAsString(SurveyMapping.read(row)))
                .sorted()
                .toList();
        String all = surveys + " "
                + houses.circuits(job).stream()
                        .map(row -> row.toCircuit().toString())
                        .sorted()
                        .toList() + " " + settings.house(job).version() + " "
                + settings.estimates().version() + " " + stock.revision();
        return UUID.nameUUIDFromBytes(all.getBytes(StandardCharsets.UTF_8)).toString();
    }

    HouseMatch.Result match(UUID job, HouseSurvey survey) {
        HouseMemory memory = memory(job, survey);
        synchronized (memory) {
            return new HouseMatch(survey, memory).match();
        }
    }

    /** Matches a house so that whoever asks for it finds it remembered. */
    void matchAhead(UUID job, HouseSurvey survey) {
        HouseMemory memory = memory(job, survey);
        synchronized (memory) {
            new HouseMatch(survey, memory).matchBehind();
        }
    }

    private HouseMemory memory(UUID job, HouseSurvey survey) {
        Basis basis =
                new Basis(stock.models(), settings.terms(job), survey.house().region());
        synchronized (memories) {
            HouseMemory kept = memories.get(basis);
            if (kept != null && kept.size() > MOST_PLANS) {
                memories.clear();
                kept = null;
            }
            if (kept == null) {
                kept = latest(basis)
                        .map(earlier -> earlier.under(basis.models(), basis.terms()))
                        .orElseGet(() -> new HouseMemory(basis.models(), basis.terms(), basis.region()));
                memories.put(basis, kept);
            }
            while (memories.size() > MEMORIES) {
                memories.remove(memories.keySet().iterator().next());
            }
            return kept;
        }
    }

    /** The latest memory of the region to go on from, one under the same terms if there is any. */
    private Optional<HouseMemory> latest(Basis basis) {
        List<Map.Entry<Basis, HouseMemory>> ofRegion = memories.entrySet().stream()
                .filter(memory -> memory.getKey().region() == basis.region())
                .toList();
        return ofRegion.stream()
                .filter(memory -> memory.getKey().terms().equals(basis.terms()))
                .reduce((earlier, later) -> later)
                .or(() -> ofRegion.stream().reduce((earlier, later) -> later))
                .map(Map.Entry::getValue);
    }
}
