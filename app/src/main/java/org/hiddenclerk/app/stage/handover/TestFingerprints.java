package org.hiddenclerk.app.stage.handover;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.stage.joining.Members;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.app.stage.survey.SurveyDocument;
import org.hiddenclerk.core.handover.Matter;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.planned.PlannedId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.stereotype.Component;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Prints of what tests rest on, by module: a print is the same for as long as nothing of it changed. */
@Component
class TestFingerprints {
    private static final int PRINT_CHARACTERS = 16;

    private final Boxes boxes;
    private final Houses houses;
    private final Members members;
    private final JsonMapper json = JsonMapper.builder()
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();

    TestFingerprints(Boxes boxes, Houses houses, Members members) {
        this.boxes = boxes;
        this.houses = houses;
        this.members = members;
    }

    Map<DeviceId, Map<Matter, String>> of(UUID job, LivePlan plan) {
        HouseContext house = houses.context(job);
        Map<String, Boxes.Found> found = boxes.ofJob(job).stream()
                .map(row -> boxes.found(row, job, house))
                .collect(Collectors.toMap(each -> each.row().id().toString(), each -> each));
        Map<DeviceId, Members.Joined> joined = new HashMap<>();
        members.joined(job)
                .forEach(member -> member.module().planned().ifPresent(place -> joined.put(place.inHouse(), member)));
        Map<DeviceId, Map<Matter, String>> bases = new HashMap<>();
        for (Device device : plan.house().devices()) {
            Optional<Boxes.Found> box = PlannedId.moduleOf(device.id()).map(module -> found.get(module.box()));
            Optional<Members.Joined> member = Optional.ofNullable(joined.get(device.id()));
            Map<Matter, String> own = new EnumMap<>(Matter.class);
            own.put(Matter.WIRING, print(box.map(TestFingerprints::wiring).orElse(List.of())));
            own.put(Matter.LOADS, print(box.map(each -> each.survey().loads()).orElse(List.of())));
            own.put(Matter.SETTINGS, print(settings(plan, device)));
            own.put(Matter.LINKS, print(links(plan, device)));
            own.put(
                    Matter.DEVICE,
                    print(member.map(each -> each.module().serial()).orElse("")));
            own.put(Matter.FIRMWARE, print(member.map(Members.Joined::firmware).orElse("")));
            bases.put(device.id(), own);
        }
        return bases;
    }

    /** What is where in the boxes of the run, without what they are called and how large they are. */
    private static List<Object> wiring(Boxes.Found found) {
        List<Object> parts = new ArrayList<>(parts(found.survey(), found.row()));
        new TreeMap<>(found.neighbours())
                .forEach((id, neighbour) -> parts.addAll(parts(neighbour.survey(), neighbour.row())));
        return parts;
    }

    private static List<Object> parts(SurveyDocument survey, BoxRow row) {
        return List.of(
                survey.gangs().stream()
                        .map(gang -> List.of(gang.number(), gang.mechanism(), gang.circuit()))
                        .toList(),
                survey.loads().stream()
                        .map(load -> List.of(load.number(), load.gang()))
                        .toList(),
                survey.cables(),
                survey.jumpers(),
                row.picks().stream()
                        .map(pick -> java.util.Arrays.asList(
                                pick.gang(),
                                pick.loadNumber(),
                                pick.module(),
                                pick.scheme(),
                                pick.moduleCode(),
                                pick.companionCode(),
                                pick.bypassMw(),
                                pick.spacerMm()))
                        .toList());
    }

    private static Map<String, Object> settings(LivePlan plan, Device device) {
        Map<String, Object> settings = new TreeMap<>();
        device.controls()
                .forEach(control -> settings.put(
                        control.id().text(),
                        List.of(
                                control.behaviour(),
                                Optional.ofNullable(plan.settings().get(control.id()))
                                        .map(Object::toString)
                                        .orElse(""))));
        return settings;
    }

    /** Links and rules that name the module, and how long a way takes. */
    private static List<Object> links(LivePlan plan, Device device) {
        Set<HouseId> own = device.ids();
        List<Object> links = new ArrayList<>(plan.house().links().stream()
                .filter(link -> !Collections.disjoint(own, link.ids()))
                .map(Object::toString)
                .sorted()
                .toList());
        plan.house().rules().stream()
                .filter(rule -> !Collections.disjoint(own, rule.ids()))
                .map(Object::toString)
                .sorted()
                .forEach(links::add);
        return links;
    }

    private String print(Object of) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256")
                    .digest(json.writeValueAsString(of).getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest).substring(0, PRINT_CHARACTERS);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256.", e);
        }
    }
}
