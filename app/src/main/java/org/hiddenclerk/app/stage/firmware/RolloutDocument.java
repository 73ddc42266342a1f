package org.hiddenclerk.app.stage.firmware;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.hiddenclerk.core.firmware.Device;
import org.hiddenclerk.core.firmware.Policy;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.RolloutPlan;
import org.hiddenclerk.core.firmware.Version;
import org.jspecify.annotations.Nullable;

/** A plan as it is kept: by it, and the events, a roll-out can be gone on with at any time. */
record RolloutDocument(
        List<List<DeviceEntry>> waves,
        Map<String, ReleaseEntry> releases,
        Map<String, String> left,
        int batch,
        int tries,
        int stopAfter,
        @Nullable String downgrade) {

    record DeviceEntry(String id, String kind, @Nullable String installed, int hops, boolean leaf, String circuit) {}

    record ReleaseEntry(String version, String sha256, Set<String> features, String notes) {}

    static RolloutDocument of(RolloutPlan plan) {
        Map<String, ReleaseEntry> releases = new TreeMap<>();
        plan.releases()
                .forEach((kind, r) -> releases.put(
                        kind, new ReleaseEntry(r.version().toString(), r.sha256(), r.features(), r.notes())));
        return new RolloutDocument(
                plan.waves().stream()
                        .map(wave -> wave.stream()
                                .map(d -> new DeviceEntry(
                                        d.id(),
                                        d.kind(),
                                        d.installed().map(Version::toString).orElse(null),
                                        d.hops(),
                                        d.leaf(),
                                        d.circuit()))
                                .toList())
                        .toList(),
                releases,
                plan.left(),
                plan.policy().batch(),
                plan.policy().tries(),
                plan.policy().stopAfter(),
                plan.policy().downgrade().orElse(null));
    }

    RolloutPlan plan() {
        Map<String, Release> byKind = new LinkedHashMap<>();
        releases.forEach((kind, r) -> byKind.put(
                kind, new Release(kind, Version.read(r.version()).orElseThrow(), r.sha256(), r.features(), r.notes())));
        return new RolloutPlan(
                waves.stream()
                        .map(wave -> wave.stream()
                                .map(d -> new Device(
                                        d.id(),
                                        d.kind(),
                                        Optional.ofNullable(d.installed()).flatMap(Version::read),
                                        d.hops(),
                                        d.leaf(),
                                        d.circuit()))
                                .toList())
                        .toList(),
                byKind,
                left,
                new Policy(batch, tries, stopAfter, Optional.ofNullable(downgrade)));
    }
}
