package org.hiddenclerk.app.job.settings;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.matching.module.Estimates;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.ordering.Trade;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What houses and the firm add to the rules. */
@Service
public class HouseSettings {
    private static final String ESTIMATES = "estimates";
    private static final String TRADE = "trade";
    private static final TypeReference<Map<LoadKind, BigDecimal>> SHARES = new TypeReference<>() {};

    private final HouseSettingRepository houses;
    private final FirmSettingRepository firm;
    private final JsonMapper json;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    HouseSettings(
            HouseSettingRepository houses,
            FirmSettingRepository firm,
            JsonMapper json,
            Clock clock,
            ApplicationEventPublisher events) {
        this.houses = houses;
        this.firm = firm;
        this.json = json;
        this.clock = clock;
        this.events = events;
    }

    /** A house wants something else than before. */
    public record WantsChanged(UUID job) {}

    /** A document with the version that it has; 0 before it was ever changed. */
    public record Versioned<T>(long version, T document) {}

    @Transactional(readOnly = true)
    public Versioned<HouseDocument> house(UUID job) {
        return houses.findById(job)
                .map(row -> new Versioned<>(row.version() + 1, json.readValue(row.document(), HouseDocument.class)))
                .orElse(new Versioned<>(0, HouseDocument.USUAL));
    }

    @Transactional(readOnly = true)
    public Versioned<Estimates> estimates() {
        return firm.findById(ESTIMATES)
                .map(row -> new Versioned<>(row.version() + 1, new Estimates(json.readValue(row.document(), SHARES))))
                .orElse(new Versioned<>(0, Estimates.USUAL));
    }

    /** How the firm buys and charges. */
    @Transactional(readOnly = true)
    public Versioned<TradeDocument> trade() {
        return firm.findById(TRADE)
                .map(row -> new Versioned<>(row.version() + 1, json.readValue(row.document(), TradeDocument.class)))
                .orElse(new Versioned<>(0, TradeDocument.of(Trade.USUAL)));
    }

    /** @throws ProblemException for a tax, an hour or a share of spares that can't be meant */
    @Transactional
    public void keepTrade(long version, TradeDocument document, String who) {
        try {
            document.toTrade();
        } catch (IllegalArgumentException e) {
            throw ProblemException.content(
                    "This cannot be kept like this",
                    new FieldProblem("/document", document.toString(), String.valueOf(e.getMessage())));
        }
        refuseIfChanged(trade().version(), version);
        keepFirm(TRADE, json.writeValueAsString(document), who);
    }

    private void keepFirm(String key, String text, String who) {
        var now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        FirmSettingRow row = firm.findById(key).orElse(null);
        if (row == null) {
            firm.saveAndFlush(new FirmSettingRow(key, text, who, now));
        } else {
            row.changed(text, who, now);
            firm.saveAndFlush(row);
        }
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
            throw ProblemException.content(
                    "The house cannot be kept like this",
                    new FieldProblem(
                            "/document/weights/stockPercent",
                            document.weights().stockPercent() + " %",
                            "at most the share of the price that counts, "
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

    /** @throws ProblemException for a share outside (0, 1], and for LED lamps whatever the share */
    @Transactional
    public void keepEstimates(long version, Map<LoadKind, BigDecimal> shares, String who) {
        try {
            new Estimates(new LinkedHashMap<>(shares));
        } catch (IllegalArgumentException e) {
            throw ProblemException.content(
                    "The estimates cannot be kept like this",
                    new FieldProblem("/shares", shares.toString(), String.valueOf(e.getMessage())));
        }
        refuseIfChanged(estimates().version(), version);
        keepFirm(ESTIMATES, json.writeValueAsString(shares), who);
    }

    private static void refuseIfChanged(long now, long seen) {
        if (now != seen) {
            throw ProblemException.conflict(
                    "Somebody changed this meanwhile. Your entry is not saved; load it again and repeat it.");
        }
    }
}
