package org.hiddenclerk.app.settings;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.core.electrical.LoadKind;
import org.hiddenclerk.core.matching.Estimates;
import org.hiddenclerk.core.matching.Terms;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What houses and the firm add to the rules. */
@Service
public class HouseSettings {
    private static final String ESTIMATES = "estimates";
    private static final TypeReference<Map<LoadKind, BigDecimal>> SHARES = new TypeReference<>() { };

    private final HouseSettingRepository houses;
    private final FirmSettingRepository firm;
    private final JsonMapper json;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    HouseSettings(HouseSettingRepository houses, FirmSettingRepository firm, JsonMapper json, Clock clock, ApplicationEventPublisher events) {
        this.houses = houses;
        this.firm = firm;
        this.json = json;
        this.clock = clock;
        this.events = events;
    }

    /** A house wants something else than before. */
    public record WantsChanged(UUID job) {
    }

    /** A document with the version that it has; 0 before it was ever changed. */
    public record Kept<T>(long version, T document) {
    }

    @Transactional(readOnly = true)
    public Kept<HouseDocument> house(UUID job) {
        return houses.findById(job).map(row -> new Kept<>(row.version() + 1, json.readValue(row.document(), HouseDocument.class)))
                .orElse(new Kept<>(0, HouseDocument.USUAL));
    }

    @Transactional(readOnly = true)
    public Kept<Estimates> estimates() {
        return firm.findById(ESTIMATES).map(row -> new Kept<>(row.version() + 1, new Estimates(json.readValue(row.document(), SHARES))))
                .orElse(new Kept<>(0, Estimates.USUAL));
    }

    /** What the rules are given for a house. */
    @Transactional(readOnly = true)
    public Terms terms(UUID job) {
        return new Terms(estimates().document(), house(job).document().toWishes());
    }

    @Transactional
    public void keep(UUID job, long version, HouseDocument document, String who) {
        try {
            document.weights().toWeights();
        } catch (IllegalArgumentException e) {
            throw Unusable.content("The house cannot be kept like this", new FieldProblem("/document/weights/stockPercent",
                    document.weights().stockPercent() + " %", "at most the share of the price that counts, "
                    + document.weights().pricePercent() + " %"));
        }
        var now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        String text = json.writeValueAsString(document);
        refuseIfChanged(house(job).version(), version);
        HouseSettingRow row = houses.findById(job).orElse(null);
        if (row == null) {
            houses.saveAndFlush(new HouseSettingRow(job, text, who, now));
        } else {
            row.changed(text, who, now);
            houses.saveAndFlush(row);
        }
        events.publishEvent(new WantsChanged(job));
    }

    /** @throws Unusable for a share outside (0, 1], and for LED lamps whatever the share */
    @Transactional
    public void keepEstimates(long version, Map<LoadKind, BigDecimal> shares, String who) {
        try {
            new Estimates(new LinkedHashMap<>(shares));
        } catch (IllegalArgumentException e) {
            throw Unusable.content("The estimates cannot be kept like this", new FieldProblem("/shares", shares.toString(),
                    String.valueOf(e.getMessage())));
        }
        var now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        refuseIfChanged(estimates().version(), version);
        String text = json.writeValueAsString(shares);
        FirmSettingRow row = firm.findById(ESTIMATES).orElse(null);
        if (row == null) {
            firm.saveAndFlush(new FirmSettingRow(ESTIMATES, text, who, now));
        } else {
            row.changed(text, who, now);
            firm.saveAndFlush(row);
        }
    }

    private static void refuseIfChanged(long now, long seen) {
        if (now != seen) {
            throw Unusable.conflict("Somebody changed this meanwhile. Your entry is not saved; load it again and repeat it.");
        }
    }
}
