package org.hiddenclerk.app.stage.joining;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.stage.bench.Bench;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.core.planned.PlannedBindings;
import org.hiddenclerk.core.planned.PlannedHouse;
import org.hiddenclerk.core.planned.PlannedId;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Links that the wiring of the plans needs, and the devices that have to be told of them. */
@Component
class WiredLinks {
    private final PlannedHouses planned;
    private final Bench bench;
    private final JoinedDeviceRepository devices;

    WiredLinks(PlannedHouses planned, Bench bench, JoinedDeviceRepository devices) {
        this.planned = planned;
        this.bench = bench;
        this.devices = devices;
    }

    /**
     * The links of a house as they stand.
     *
     * @param in     what is in of the planned modules
     * @param setUp  addresses of those that were set up: a device is told of no other
     */
    record State(PlannedHouse house, Map<PlannedId.Module, JoinedDeviceRow> in, Map<PlannedId.Module, String> setUp) {
        private PlannedBindings bindings() {
            return new PlannedBindings(house);
        }

        List<PlannedBindings.Standing> standings() {
            return bindings()
                    .standings(in.entrySet().stream()
                            .collect(Collectors.toMap(
                                    Map.Entry::getKey,
                                    e -> new PlannedBindings.In(
                                            e.getValue().address(), e.getValue().settings()))));
        }

        /** What a module is to be set to, with what its links ask for. */
        Map<String, String> wanted(Bench.Ready module) {
            Map<String, String> wanted = new TreeMap<>(module.wanted());
            module.planned().ifPresent(id -> wanted.putAll(bindings().settings(id, setUp)));
            return wanted;
        }

        /** Devices that were set up and command a module by themselves. */
        List<JoinedDeviceRow> commanding(Bench.Ready module) {
            return module.planned()
                    .map(id -> bindings().commanding(id).stream()
                            .filter(setUp::containsKey)
                            .map(in::get)
                            .toList())
                    .orElse(List.of());
        }
    }

    @Transactional(readOnly = true)
    public State of(UUID job) {
        return of(job, bench.modules(job), devices.findByJobIdOrderByCameInAt(job));
    }

    /** Of a job whose bench and devices have been read already. */
    @Transactional(readOnly = true)
    public State of(UUID job, Collection<Bench.Ready> modules, List<JoinedDeviceRow> rows) {
        Map<UUID, PlannedId.Module> ids = new HashMap<>();
        modules.forEach(module -> module.planned().ifPresent(id -> ids.put(module.unit(), id)));
        Map<PlannedId.Module, JoinedDeviceRow> in = new LinkedHashMap<>();
        rows.forEach(row -> row.unit().map(ids::get).ifPresent(id -> in.put(id, row)));
        Map<PlannedId.Module, String> setUp = in.entrySet().stream()
                .filter(e -> e.getValue().settings().isPresent())
                .collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().address()));
        return new State(planned.of(job).house(), in, setUp);
    }
}
