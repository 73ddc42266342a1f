package org.hiddenclerk.app.stage.joining;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.StageKeeper;
import org.hiddenclerk.app.job.network.Networks;
import org.hiddenclerk.app.stage.bench.Bench;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.job.Stage;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.core.joining.InventoryComparison;
import org.hiddenclerk.core.joining.Member;
import org.hiddenclerk.core.joining.Recognition;
import org.hiddenclerk.core.joining.Recognition.Evidence;
import org.hiddenclerk.core.planned.PlannedBindings;
import org.hiddenclerk.core.planned.PlannedId;
import org.hiddenclerk.core.planned.PlannedProgress;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what is known of the devices in the networks of jobs, and which of them is which module. */
@Service
public class Members implements Networks.Ear, StageKeeper {
    private final JoinedDeviceRepository devices;
    private final RecognitionNoteRepository notes;
    private final JoinWindowRepository windows;
    private final Bench bench;
    private final WiredLinks links;
    private final Clock clock;

    Members(
            JoinedDeviceRepository devices,
            RecognitionNoteRepository notes,
            JoinWindowRepository windows,
            Bench bench,
            WiredLinks links,
            Clock clock) {
        this.devices = devices;
        this.notes = notes;
        this.windows = windows;
        this.bench = bench;
        this.links = links;
        this.clock = clock;
    }

    /** A module that has joined, for whoever goes on with it. */
    public record Joined(
            UUID unit,
            UUID device,
            Protocol protocol,
            String address,
            String kind,
            String name,
            String firmware,
            int hops,
            boolean passesOn,
            Bench.Ready module) {}

    /** Modules that are known for what they are. */
    @Transactional(readOnly = true)
    public List<Joined> joined(UUID job) {
        Map<UUID, Bench.Ready> modules = new HashMap<>();
        bench.modules(job).forEach(module -> modules.put(module.unit(), module));
        return devices.findByJobIdOrderByCameInAt(job).stream()
                .filter(row -> row.unit().filter(modules::containsKey).isPresent())
                .map(row -> new Joined(
                        row.unit().orElseThrow(),
                        row.id(),
                        row.protocol(),
                        row.address(),
                        row.kind(),
                        row.name(),
                        row.firmware(),
                        row.hops(),
                        row.passesOn(),
                        modules.get(row.unit().orElseThrow())))
                .toList();
    }

    /** Modules of which a channel is on. */
    @Transactional(readOnly = true)
    public Set<String> inUse(UUID job) {
        return devices.findByJobIdOrderByCameInAt(job).stream()
                .filter(JoinedDeviceRow::isInUse)
                .flatMap(row -> row.unit().stream())
                .map(UUID::toString)
                .collect(Collectors.toSet());
    }

    @Override
    public Stage stage() {
        return Stage.JOIN;
    }

    /** How far the modules of each box are; boxes of which none has joined are left out. */
    @Transactional(readOnly = true)
    @Override
    public Map<UUID, Stage.Progress> progress(UUID job) {
        List<JoinedDeviceRow> rows = devices.findByJobIdOrderByCameInAt(job).stream()
                .filter(row -> row.unit().isPresent())
                .toList();
        if (rows.isEmpty()) {
            return Map.of();
        }
        List<Bench.Ready> all = bench.modules(job);
        WiredLinks.State wired = links.of(job, all, rows);
        Set<PlannedId.Module> unlinked = wired.standings().stream()
                .filter(link ->
                        link.state() == PlannedBindings.State.WAITS || link.state() == PlannedBindings.State.NOT_BOUND)
                .map(link -> link.link().input().module())
                .collect(Collectors.toSet());
        Map<UUID, JoinedDeviceRow> in =
                rows.stream().collect(Collectors.toMap(row -> row.unit().orElseThrow(), row -> row));
        Set<PlannedId.Module> joined = new HashSet<>();
        Set<PlannedId.Module> done = new HashSet<>();
        all.stream()
                .filter(module -> module.box().isPresent() && in.containsKey(module.unit()))
                .forEach(module -> module.planned().ifPresent(id -> {
                    joined.add(id);
                    if (in.get(module.unit()).settings().isPresent() && !unlinked.contains(id)) {
                        done.add(id);
                    }
                }));
        return Boxes.keyed(PlannedProgress.ofModules(wired.house(), joined, done));
    }

    /** A module that was replaced is no member any more: what was known of it in the network goes. */
    @EventListener
    @Transactional
    public void gone(Bench.Replaced replaced) {
        devices.findByJobIdOrderByCameInAt(replaced.job()).stream()
                .filter(row -> row.unit().filter(replaced.gone()::equals).isPresent())
                .forEach(row -> {
                    notes.deleteAll(notes.findByDeviceIdInOrderByMadeAt(List.of(row.id())));
                    notes.flush();
                    devices.delete(row);
                });
        devices.flush();
    }

    /** A module says what it runs, or came back under another address. */
    @Transactional
    public void isNow(UUID device, Optional<String> address, Optional<String> firmware) {
        devices.findById(device).ifPresent(row -> {
            address.ifPresent(row::movedTo);
            firmware.ifPresent(version -> row.startedAnew());
            firmware.ifPresent(version -> row.says(
                    new Member(row.address(), row.kind(), row.name(), version, "", 0, row.hops(), row.passesOn())));
            devices.saveAndFlush(row);
        });
    }

    @Override
    @Transactional
    public void heard(UUID job, Protocol protocol, GatewayEvent heard) {
        if (heard instanceof GatewayEvent.CameIn in) {
            says(job, protocol, in.member());
            settle(job);
        } else if (heard instanceof GatewayEvent.Flipped flipped) {
            devices.findByJobIdAndProtocolAndAddress(job, protocol, flipped.address())
                    .ifPresent(row -> {
                        row.wasFlipped(now(), flipped.input());
                        devices.saveAndFlush(row);
                    });
        } else if (heard instanceof GatewayEvent.Changed changed) {
            devices.findByJobIdAndProtocolAndAddress(job, protocol, changed.address())
                    .ifPresent(row -> {
                        row.turned(changed.channel(), changed.on());
                        devices.saveAndFlush(row);
                    });
        } else if (heard instanceof GatewayEvent.WindowClosed) {
            windows.findById(new JoinWindowRow.Of(job, protocol))
                    .filter(row -> row.closesAt().isAfter(now()))
                    .ifPresent(row -> {
                        row.closes(now());
                        windows.saveAndFlush(row);
                    });
        }
    }

    private void says(UUID job, Protocol protocol, Member member) {
        JoinedDeviceRow row = devices.findByJobIdAndProtocolAndAddress(job, protocol, member.address())
                .orElseGet(() -> new JoinedDeviceRow(job, protocol, member, now()));
        row.says(member);
        devices.saveAndFlush(row);
    }

    /** What a network says of all its members: those that moved are found by their names, those that are gone are silent. */
    @Transactional
    public void areThere(UUID job, Protocol protocol, List<Member> now) {
        List<JoinedDeviceRow> known = devices.findByJobIdOrderByCameInAt(job).stream()
                .filter(row -> row.protocol() == protocol)
                .toList();
        Map<String, String> byName = new HashMap<>();
        known.stream().filter(row -> row.unit().isPresent()).forEach(row -> byName.put(row.name(), row.address()));
        InventoryComparison inventory = InventoryComparison.of(byName, now);
        known.forEach(row -> {
            Optional.ofNullable(inventory.moved().get(row.address())).ifPresent(row::movedTo);
            row.isSilent(now.stream().noneMatch(member -> member.address().equals(row.address())));
            devices.saveAndFlush(row);
        });
        now.forEach(member -> says(job, protocol, member));
        settle(job);
    }

    /** A device was told to switch: what is seen from now on is seen of it. */
    @Transactional
    public void wasTold(JoinedDeviceRow device, String who) {
        notes.saveAndFlush(new RecognitionNoteRow(device.id(), null, RecognitionNoteRow.Saw.TOLD, who, now()));
    }

    /** The device that was told to switch last, of all that a job has. */
    @Transactional(readOnly = true)
    public Optional<UUID> lastTold(UUID job) {
        List<UUID> all = devices.findByJobIdOrderByCameInAt(job).stream()
                .map(JoinedDeviceRow::id)
                .toList();
        return notes.findByDeviceIdInOrderByMadeAt(all).stream()
                .filter(note -> note.saw() == RecognitionNoteRow.Saw.TOLD)
                .reduce((earlier, later) -> later)
                .map(RecognitionNoteRow::deviceId);
    }

    @Transactional
    public void note(JoinedDeviceRow device, UUID unit, RecognitionNoteRow.Saw saw, String who) {
        notes.saveAndFlush(new RecognitionNoteRow(device.id(), unit, saw, who, now()));
        settle(device.jobId());
    }

    /** Forgets what was seen of a device. */
    @Transactional
    public void forgetNotes(JoinedDeviceRow device) {
        notes.deleteAll(notes.findByDeviceIdInOrderByMadeAt(List.of(device.id())));
        notes.flush();
        device.flipsAreForgotten();
        devices.saveAndFlush(device);
        settle(device.jobId());
    }

    /** Which device is which module, by protocol. */
    @Transactional(readOnly = true)
    public Map<Protocol, Recognition.Result> recognised(UUID job) {
        List<JoinedDeviceRow> all = devices.findByJobIdOrderByCameInAt(job);
        Map<UUID, JoinedDeviceRow> byId = new HashMap<>();
        all.forEach(row -> byId.put(row.id(), row));
        List<RecognitionNoteRow> seen = notes.findByDeviceIdInOrderByMadeAt(byId.keySet());
        List<Bench.Ready> modules = bench.modules(job);
        Map<Protocol, Recognition.Result> results = new java.util.EnumMap<>(Protocol.class);
        for (Protocol protocol : Protocol.values()) {
            List<Recognition.Place> places = modules.stream()
                    .filter(m -> m.model().protocol() == protocol && m.box().isPresent())
                    .map(m -> new Recognition.Place(m.unit(), m.model().code(), m.address(), m.switched()))
                    .toList();
            List<Recognition.Candidate> candidates = all.stream()
                    .filter(row -> row.protocol() == protocol)
                    .map(row -> new Recognition.Candidate(row.address(), row.kind(), row.flippedInputs()))
                    .toList();
            List<Evidence> evidence = new ArrayList<>();
            seen.stream()
                    .filter(note -> byId.get(note.deviceId()).protocol() == protocol)
                    .forEach(note -> evidence(note, byId).ifPresent(evidence::add));
            results.put(protocol, new Recognition(places, candidates, evidence).result());
        }
        return results;
    }

    private static Optional<Evidence> evidence(RecognitionNoteRow note, Map<UUID, JoinedDeviceRow> byId) {
        String address = byId.get(note.deviceId()).address();
        return note.unitId()
                .flatMap(unit -> Optional.ofNullable(
                        switch (note.saw()) {
                            case NOT_THERE -> new Evidence.NotThere(address, unit);
                            case SWITCHED -> new Evidence.Seen(address, unit, Recognition.Way.SWITCHED);
                            case FLIPPED -> new Evidence.Seen(address, unit, Recognition.Way.FLIPPED);
                            case TOLD -> null;
                        }));
    }

    /** Writes down which device is which, as far as it is known. */
    private void settle(UUID job) {
        Map<Protocol, Recognition.Result> results = recognised(job);
        List<JoinedDeviceRow> all = devices.findByJobIdOrderByCameInAt(job);
        // A module is free before another device is it: the database allows one.
        all.stream()
                .filter(row -> row.unit().isPresent() && !unitOf(row, results).equals(row.unit()))
                .forEach(row -> {
                    row.isOf(null);
                    devices.saveAndFlush(row);
                });
        all.forEach(
                row -> unitOf(row, results).filter(unit -> row.unit().isEmpty()).ifPresent(unit -> {
                    row.isOf(unit);
                    devices.saveAndFlush(row);
                }));
    }

    private static Optional<UUID> unitOf(JoinedDeviceRow row, Map<Protocol, Recognition.Result> results) {
        return results.get(row.protocol()).known().entrySet().stream()
                .filter(known -> known.getValue().equals(row.address()))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
