package org.hiddenclerk.app.stage.firmware;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.core.firmware.Version;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Firmware over many jobs: where modules run something older than the newest release that is kept. */
@Service
class Campaigns {
    private final JdbcClient jdbc;

    Campaigns(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Modules of one kind. @param newest release that is kept */
    record Campaign(String kind, String newest, List<Behind> jobs) {}

    /** @param running what they run, by version */
    record Behind(UUID job, String name, int modules, Map<String, Long> running) {}

    private record Running(UUID job, String name, String kind, String firmware) {}

    /** Kinds of which some module is behind; archived jobs are left alone. */
    @Transactional(readOnly = true)
    public List<Campaign> campaigns() {
        Map<String, Version> newest = new TreeMap<>();
        jdbc.sql("SELECT kind, version FROM firmware_release")
                .query((row, i) -> Map.entry(row.getString(1), row.getString(2)))
                .list()
                .forEach(release -> Version.read(release.getValue())
                        .filter(Version::isRelease)
                        .ifPresent(version ->
                                newest.merge(release.getKey(), version, (a, b) -> a.compareTo(b) >= 0 ? a : b)));
        List<Running> all = jdbc.sql("SELECT j.id, j.name, d.kind, d.firmware FROM joined_device d JOIN job j ON "
                        + "d.job_id = j.id WHERE j.archived_at IS NULL")
                .query((row, i) -> new Running(
                        UUID.fromString(row.getString(1)), row.getString(2), row.getString(3), row.getString(4)))
                .list();
        List<Campaign> campaigns = new ArrayList<>();
        newest.forEach((kind, version) -> {
            Map<UUID, List<Running>> behind = all.stream()
                    .filter(running -> running.kind().equals(kind) && isBehind(running.firmware(), version))
                    .collect(Collectors.groupingBy(Running::job));
            if (!behind.isEmpty()) {
                campaigns.add(new Campaign(
                        kind,
                        version.toString(),
                        behind.values().stream()
                                .map(own -> new Behind(
                                        own.get(0).job(),
                                        own.get(0).name(),
                                        own.size(),
                                        own.stream()
                                                .collect(Collectors.groupingBy(
                                                        Running::firmware, TreeMap::new, Collectors.counting()))))
                                .sorted(Comparator.comparing(Behind::name))
                                .toList()));
            }
        });
        return campaigns;
    }

    private static boolean isBehind(String firmware, Version newest) {
        Optional<Version> running = Version.read(firmware);
        return running.isPresent() && running.get().compareTo(newest) < 0;
    }
}
