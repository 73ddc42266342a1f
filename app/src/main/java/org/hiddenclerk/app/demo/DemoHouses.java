package org.hiddenclerk.app.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.ClerkProperties;
import org.hiddenclerk.app.job.house.CircuitRow;
import org.hiddenclerk.app.job.house.OpenHouse;
import org.hiddenclerk.app.job.settings.HouseDocument;
import org.hiddenclerk.app.job.settings.HouseSettings;
import org.hiddenclerk.app.platform.accounts.Accounts;
import org.hiddenclerk.app.stage.firmware.Releases;
import org.hiddenclerk.app.stage.planning.PickEntry;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.rules.DemoRules;
import org.hiddenclerk.app.stage.stock.StockShelves;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.app.stage.survey.RecordSurvey;
import org.hiddenclerk.app.stage.survey.SurveyDocument;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Version;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.module.Wish;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Volts;
import org.hiddenclerk.core.radio.Material;
import org.hiddenclerk.standins.FirmwareFile;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Loads the invented demo houses and their login, when asked to and when there is no account yet. */
@Component
class DemoHouses implements ApplicationRunner {
    private static final Logger LOG = LoggerFactory.getLogger(DemoHouses.class);
    /** The login that the start command prints; it exists only in a demo database. */
    private static final String NAME = "tarrow";

    private static final String DISPLAY_NAME = "M. Tarrow";
    private static final String PASSWORD = "tannery-house-demo";
    private static final String FIRMWARE = "1.1.0";
    /** One for each region that the clerk knows, each at a stage of its own; the last is the one that is opened first. */
    private static final List<String> HOUSES = List.of("juniper-bend-cabin", "chandlers-flat", "tannery-house");

    private final DemoRules rules;
    private final ClerkProperties properties;
    private final Accounts accounts;
    private final OpenHouse openHouse;
    private final RecordSurvey recordSurvey;
    private final Boxes boxes;
    private final Plans plans;
    private final JsonMapper json;
    private final HouseSettings settings;
    private final StockShelves stockShelves;
    private final Releases releases;

    DemoHouses(
            ClerkProperties properties,
            Accounts accounts,
            OpenHouse openHouse,
            RecordSurvey recordSurvey,
            Boxes boxes,
            Plans plans,
            JsonMapper json,
            HouseSettings settings,
            StockShelves stockShelves,
            Releases releases,
            DemoRules rules) {
        this.rules = rules;
        this.properties = properties;
        this.accounts = accounts;
        this.openHouse = openHouse;
        this.recordSurvey = recordSurvey;
        this.boxes = boxes;
        this.plans = plans;
        this.json = json;
        this.settings = settings;
        this.stockShelves = stockShelves;
        this.releases = releases;
    }

    /** A house as it is written down for the demo; boxes name circuits by label and rooms by name. */
    record House(
            String name,
            String place,
            RegionProfile region,
            boolean rules,
            List<Circuit> circuits,
            List<Anchor> anchors,
            Map<String, Integer> shelf,
            List<Room> rooms,
            List<Box> boxes) {}

    record Circuit(
            String label,
            BigDecimal ratingAmps,
            Line phase,
            boolean alternativelySupplied,
            BigDecimal elvVolts,
            Protection.@Nullable Device device,
            @Nullable Integer residualMilliamps,
            @Nullable BigDecimal cableMm2) {}

    record Room(String name, String storey, Plan plan) {}

    /** Where a room is, in metres. */
    record Plan(int storey, double x, double y, double width, double depth, Material walls) {}

    record Anchor(String name, Protocol protocol, String room, @Nullable Integer takes) {}

    record Box(String room, SurveyDocument survey, List<PickEntry> picks, boolean issue) {}

    @Override
    @Transactional
    public void run(ApplicationArguments arguments) {
        if (!properties.demo() || !accounts.isEmpty()) {
            return;
        }
        accounts.makeOwner(NAME, DISPLAY_NAME, PASSWORD);
        List<House> houses = HOUSES.stream().map(this::read).toList();
        houses.stream()
                .flatMap(house -> house.boxes().stream())
                .flatMap(box -> box.picks().stream())
                .map(PickEntry::moduleCode)
                .distinct()
                .forEach(this::keepFirmware);
        houses.forEach(this::load);
        LOG.info("The demo houses are loaded.");
    }

    private House read(String file) {
        try (InputStream source = DemoHouses.class.getResourceAsStream("/demo/" + file + ".json")) {
            return json.readValue(source, House.class);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void load(House house) {
        UUID job = openHouse.job(house.name(), house.place(), house.region());
        Map<String, String> circuits = new LinkedHashMap<>();
        house.circuits()
                .forEach(c -> circuits.put(
                        c.label(),
                        openHouse
                                .circuit(
                                        job,
                                        new CircuitRow.Data(
                                                c.label(),
                                                Amps.of(c.ratingAmps()),
                                                c.phase(),
                                                c.alternativelySupplied(),
                                                Optional.ofNullable(c.elvVolts())
                                                        .map(Volts::of),
                                                new Protection(
                                                        Optional.ofNullable(c.device())
                                                                .orElse(Protection.Device.BREAKER),
                                                        c.residualMilliamps() == null
                                                                ? OptionalInt.empty()
                                                                : OptionalInt.of(c.residualMilliamps()),
                                                        Optional.ofNullable(c.cableMm2()))))
                                .toString()));
        Map<String, UUID> rooms = new LinkedHashMap<>();
        house.rooms().forEach(r -> rooms.put(r.name(), openHouse.room(job, r.name(), r.storey())));
        settle(job, house, rooms);
        stockShelves.putOnShelf(house.shelf(), DISPLAY_NAME);
        Map<String, UUID> ids = new LinkedHashMap<>();
        for (Box box : house.boxes()) {
            SurveyDocument alone = resolved(box.survey(), circuits, Map.of());
            ids.put(box.survey().label(), recordSurvey.add(rooms.get(box.room()), alone, DISPLAY_NAME));
        }
        for (Box box : house.boxes()) {
            UUID id = ids.get(box.survey().label());
            if (box.survey().cables().stream().anyMatch(cable -> cable.box() != null)) {
                recordSurvey.change(
                        id, boxes.find(id).row().version(), resolved(box.survey(), circuits, ids), DISPLAY_NAME);
            }
        }
        for (Box box : house.boxes()) {
            UUID id = ids.get(box.survey().label());
            if (!box.picks().isEmpty()) {
                plans.choose(id, boxes.find(id).row().version(), box.picks(), DISPLAY_NAME);
            }
        }
        for (Box box : house.boxes()) {
            UUID id = ids.get(box.survey().label());
            if (box.issue()) {
                plans.issue(id, boxes.find(id).row().version(), DISPLAY_NAME);
            }
        }
        if (house.rules()) {
            rules.keep(job, DISPLAY_NAME);
        }
    }

    /** A newer file than the stand-in modules come with. */
    private void keepFirmware(String kind) {
        byte[] file = FirmwareFile.of(kind, FIRMWARE);
        releases.keep(
                new Release(
                        kind,
                        Version.read(FIRMWARE).orElseThrow(),
                        Release.sumOf(file),
                        Set.of(),
                        "made up, for the stand-in house"),
                file,
                DISPLAY_NAME);
    }

    private void settle(UUID job, House house, Map<String, UUID> rooms) {
        HouseDocument usual = settings.house(job).document();
        settings.keep(
                job,
                0,
                new HouseDocument(
                        List.of(
                                new HouseDocument.WishEntry(Wish.Kind.WITHOUT_INTERNET, true, ""),
                                new HouseDocument.WishEntry(Wish.Kind.KEEP_PLATES, false, "")),
                        usual.weights(),
                        false,
                        house.rooms().stream()
                                .map(r -> new HouseDocument.RoomEntry(
                                        rooms.get(r.name()),
                                        r.plan().storey(),
                                        r.plan().x(),
                                        r.plan().y(),
                                        r.plan().width(),
                                        r.plan().depth(),
                                        r.plan().walls()))
                                .toList(),
                        usual.storeyHeight(),
                        Material.WOOD,
                        house.anchors().stream()
                                .map(a -> new HouseDocument.AnchorEntry(
                                        a.name(), a.protocol(), rooms.get(a.room()), a.takes()))
                                .toList(),
                        List.of(1, 6, 11),
                        15),
                DISPLAY_NAME);
    }

    /** The survey with identities in place of labels; cables to boxes that are not known yet are left out. */
    private static SurveyDocument resolved(
            SurveyDocument survey, Map<String, String> circuits, Map<String, UUID> boxes) {
        return new SurveyDocument(
                survey.label(),
                survey.kind(),
                survey.geometry(),
                survey.gangs().stream()
                        .map(g -> new SurveyDocument.GangEntry(
                                g.number(), g.name(), g.mechanism(), g.depthMm(), circuits.get(g.circuit())))
                        .toList(),
                survey.loads(),
                survey.cables().stream()
                        .filter(c -> c.box() == null || boxes.containsKey(c.box()))
                        .map(c -> new SurveyDocument.CableEntry(
                                c.name(),
                                c.leadsTo(),
                                c.circuit() == null ? null : circuits.get(c.circuit()),
                                c.load(),
                                c.box() == null ? null : boxes.get(c.box()).toString(),
                                c.farCable(),
                                c.mm2(),
                                c.cores()))
                        .toList(),
                survey.jumpers(),
                survey.modules());
    }
}
