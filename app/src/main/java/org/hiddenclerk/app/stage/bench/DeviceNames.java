package org.hiddenclerk.app.stage.bench;

import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.core.identity.DeviceId;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the modules of a job's plans are called. */
@Component
public class DeviceNames {
    private final BenchPlaces places;
    private final Naming naming;

    DeviceNames(BenchPlaces places, Naming naming) {
        this.places = places;
        this.naming = naming;
    }

    /** Handles of every planned module, by its id. */
    @Transactional(readOnly = true)
    public Map<DeviceId, String> handles(UUID job) {
        return naming.names(job, places.of(job)).entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey, name -> name.getValue().handle()));
    }
}
