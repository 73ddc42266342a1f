package org.hiddenclerk.core.planned;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.fitting.RunSheetPlan;
import org.hiddenclerk.core.fitting.Step;
import org.hiddenclerk.core.handover.HandoverTests;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Houses of several works at random: the modules, with box, place, channels, inputs and settings, are the same in
 * all that comes after planning.
 */
class RandomHousesTest {
    private static final int HOUSES = 25;
    private static final int MOST_WORKS = 6;
    private static final List<ModuleModel> MODELS = List.of(
            Modules.withNeutral(1, 2, Modules.generous()),
            Modules.withInputs(4),
            Modules.blinking(),
            Modules.receiver());

    static Stream<Long> seeds() {
        return Stream.iterate(1L, seed -> seed + 1).limit(HOUSES);
    }

    /** A house with its plans. */
    private record House(HouseContext context, List<PlannedWork> works) {
        PlannedHouse planned() {
            return PlannedHouse.of(works, (box, model) -> Set.of());
        }

        Map<String, PlannedRoom> rooms() {
            Map<String, PlannedRoom> rooms = new LinkedHashMap<>();
            works.forEach(work -> work.boxes()
                    .forEach(box -> rooms.put(box, new PlannedRoom("r" + box, "Room " + box, "Ground floor"))));
            return rooms;
        }
    }

    private static House house(long seed) {
        Random random = new Random(seed);
        RegionProfile region = RegionProfile.values()[random.nextInt(RegionProfile.values().length)];
        HouseContext context = Boxes.house(region);
        List<Map.Entry<String, ConnectedBoxes>> topologies =
                new ArrayList<>(Topologies.all(region).entrySet());
        List<PlannedWork> works = new ArrayList<>();
        int wanted = 1 + random.nextInt(MOST_WORKS);
        for (int tried = 0; works.size() < wanted && tried < 200; tried++) {
            ConnectedBoxes run = renamed(
                    topologies.get(random.nextInt(topologies.size())).getValue(), "w" + works.size() + "-", region);
            SchemeCode scheme = SchemeCode.values()[random.nextInt(SchemeCode.values().length)];
            Optional<ModuleModel> other =
                    switch (random.nextInt(3)) {
                        case 0 -> Optional.of(Modules.sender(1 + random.nextInt(2)));
                        case 1 -> Optional.of(Modules.withNeutral(1, 2, Modules.usualRatings()));
                        default -> Optional.empty();
                    };
            Assignment assignment = new Assignment(
                    scheme,
                    MODELS.get(random.nextInt(MODELS.size())),
                    List.of(1),
                    List.of(),
                    Map.of(),
                    Optional.empty(),
                    other);
            WiringPlan plan = WiringPlan.of(context, run, List.of(assignment));
            if (plan.planned().isPresent()) {
                works.add(PlannedWork.of(
                        plan, List.of(new PlannedWork.Owner(run.lead().id(), 1, assignment)), Map.of()));
            }
        }
        return new House(context, works);
    }

    /** The same run in a house in which other boxes bear its letters too. */
    private static ConnectedBoxes renamed(ConnectedBoxes run, String prefix, RegionProfile region) {
        Map<String, Box> boxes = new LinkedHashMap<>();
        run.boxes().forEach(place -> {
            Box box = place.box();
            boxes.put(
                    prefix + place.id(),
                    new Box(
                            prefix + box.label(),
                            box.kind(),
                            box.geometry(),
                            box.gangs(),
                            box.loads(),
                            box.cables().stream()
                                    .map(cable -> cable.leads() instanceof Leads.ToBox to
                                            ? new Cable(
                                                    cable.name(),
                                                    new Leads.ToBox(prefix + to.box(), to.cable()),
                                                    cable.mm2(),
                                                    cable.cores())
                                            : cable)
                                    .toList(),
                            box.jumpers()));
        });
        return ConnectedBoxes.of(boxes, prefix + run.lead().id(), region);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void everyStageHasTheSameModulesChannelsAndInputs(long seed) {
        House house = house(seed);
        PlannedHouse planned = house.planned();
        Set<DeviceId> modules =
                ids(planned.modules().stream().map(module -> module.id().inHouse()));
        Set<ControlId> inputs = ids(planned.modules().stream()
                .flatMap(module -> module.inputs().stream())
                .map(input -> input.id().inHouse()));
        Set<OutputId> outputs = ids(planned.modules().stream()
                .flatMap(module -> module.outputs().stream())
                .filter(output -> !output.loads().isEmpty())
                .map(output -> output.id().inHouse()));

        assertThat(modules)
                .hasSize(house.works().stream()
                        .mapToInt(work ->
                                work.plan().planned().orElseThrow().fitted().size())
                        .sum());
        List<Device> devices = new PlannedDevices(house.rooms(), (box, model) -> Set.of()).of(planned);
        assertThat(devices).extracting(Device::id).containsExactlyInAnyOrderElementsOf(modules);
        assertThat(devices).extracting(Device::name).as("told apart by name").doesNotHaveDuplicates();
        assertThat(ids(devices.stream()
                        .flatMap(device -> device.outputs().stream())
                        .map(Device.Output::id)))
                .isEqualTo(outputs);
        RuledHouse ruled = new RuledHouse(
                devices, planned.links().stream().map(PlannedLink::link).toList(), List.of());
        assertThat(ruled.problems()).isEmpty();
        assertThat(ruled.controls().keySet()).isEqualTo(inputs);
        LivePlan live = new LivePlan(
                ruled,
                new PlannedRuns(planned, house.rooms()).runs(),
                Map.of(),
                PlannedRuns.worksAt(planned),
                Map.of(),
                Delays.USUAL,
                Optional.empty());
        assertThat(ids(live.runs().stream()
                        .flatMap(run -> run.modules().values().stream())
                        .map(LivePlan.Hung::device)))
                .isEqualTo(modules);
        assertThat(ids(live.runs().stream()
                        .flatMap(run -> run.modules().values().stream())
                        .flatMap(hung -> hung.controls().values().stream())))
                .isEqualTo(inputs);
        assertThat(ids(HandoverTests.of(live, Map.of()).stream().map(test -> test.device())))
                .isEqualTo(modules);
        assertThat(ids(new PlannedBindings(planned)
                        .standings(Map.of()).stream()
                                .map(standing -> standing.link().input().text())))
                .as("what commands another is bound, or told to the hub")
                .isEqualTo(ids(planned.links().stream().map(link -> link.input().text())));
        modules.forEach(id -> assertThat(planned.boxOf(id))
                .contains(planned.module(PlannedId.moduleOf(id).orElseThrow())
                        .orElseThrow()
                        .box()));
    }

    private static <T> Set<T> ids(Stream<T> ids) {
        return ids.collect(Collectors.toSet());
    }

    /** The drawing, the sheet, the bench and the labels name one box for each module: bench and labels take it from the planned house. */
    @ParameterizedTest
    @MethodSource("seeds")
    void drawingSheetAndBenchNameTheSameBox(long seed) {
        for (PlannedWork work : house(seed).works()) {
            ConnectedBoxes run = work.plan().run();
            RunWiring wiring = work.plan().planned().orElseThrow();
            Set<String> drawn = new TreeSet<>();
            wiring.boxes()
                    .forEach((place, box) ->
                            box.modules().values().forEach(model -> drawn.add(run.boxOf(place) + ": " + model.code())));
            Set<String> benched = ids(work.modules().stream()
                    .map(module -> module.box() + ": " + module.model().code()));
            Set<String> codes =
                    ids(work.modules().stream().map(module -> module.model().code()));
            Set<String> worked = new TreeSet<>();
            for (Step step : RunSheetPlan.of(house(seed).context(), work.plan())) {
                step.confirms().stream()
                        .filter(confirm -> !confirm.box().isEmpty())
                        .forEach(confirm -> codes.stream()
                                .filter(code -> Pattern.compile("(?<!\\w)" + Pattern.quote(code) + "(?!\\w)")
                                        .matcher(confirm.text())
                                        .find())
                                .forEach(code -> worked.add(confirm.box() + ": " + code)));
            }

            assertThat(benched).as(work.lead()).isEqualTo(drawn);
            assertThat(worked)
                    .as("%s: what hands are told to wire in each box", work.lead())
                    .isEqualTo(drawn);
        }
    }
}
