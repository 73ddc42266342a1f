package org.hiddenclerk.app.stage.firmware;

import jakarta.annotation.PreDestroy;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.network.Networks;
import org.hiddenclerk.app.platform.background.Worker;
import org.hiddenclerk.app.platform.nodes.Leases;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.fitting.Isolations;
import org.hiddenclerk.app.stage.joining.Members;
import org.hiddenclerk.core.firmware.Device;
import org.hiddenclerk.core.firmware.Policy;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Rollout;
import org.hiddenclerk.core.firmware.RolloutPlan;
import org.hiddenclerk.core.firmware.Version;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.Order;
import org.hiddenclerk.core.joining.Updating;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Plans roll-outs and carries them out in the background. Whatever was cut off goes on from its events after a start. */
@Service
class Rollouts {
    private static final Logger LOG = LoggerFactory.getLogger(Rollouts.class);
    private static final long GLANCE_MS = 1_000;

    private final Releases releases;
    private final RolloutRepository rollouts;
    private final RolloutEventRepository events;
    private final Members members;
    private final Networks networks;
    private final Houses houses;
    private final Isolations isolations;
    private final Leases leases;
    private final JsonMapper json;
    private final Clock clock;
    private final Set<UUID> stopping = ConcurrentHashMap.newKeySet();
    private final ScheduledExecutorService worker = Worker.named("roll-outs");

    Rollouts(
            Releases releases,
            RolloutRepository rollouts,
            RolloutEventRepository events,
            Members members,
            Networks networks,
            Houses houses,
            Isolations isolations,
            Leases leases,
            JsonMapper json,
            Clock clock) {
        this.releases = releases;
        this.rollouts = rollouts;
        this.events = events;
        this.members = members;
        this.networks = networks;
        this.houses = houses;
        this.isolations = isolations;
        this.leases = leases;
        this.json = json;
        this.clock = clock;
        worker.scheduleWithFixedDelay(this::goOn, GLANCE_MS, GLANCE_MS, TimeUnit.MILLISECONDS);
    }

    @PreDestroy
    void close() {
        worker.shutdownNow();
    }

    /** The policy of a job: that of its last roll-out; a reason to go back is given anew each time. */
    Policy policy(UUID job) {
        return of(job).stream()
                .findFirst()
                .map(row -> planOf(row).policy())
                .map(last -> new Policy(last.batch(), last.tries(), last.stopAfter(), Optional.empty()))
                .orElse(Policy.USUAL);
    }

    /** What would be done now. */
    RolloutPlan plan(UUID job, Policy policy) {
        Map<UUID, String> circuits = isolations.circuitsByBox(job);
        List<Device> devices = members.joined(houses.job(job).id()).stream()
                .map(member -> new Device(
                        member.unit().toString(),
                        member.kind(),
                        Version.read(member.firmware()),
                        member.hops(),
                        !member.passesOn(),
                        member.module().box().map(circuits::get).orElse("")))
                .toList();
        return RolloutPlan.of(devices, releases.newest(), policy);
    }

    UUID begin(UUID job, Policy policy, String who) {
        RolloutPlan plan = plan(job, policy);
        if (plan.waves().isEmpty()) {
            throw ProblemException.conflict(
                    "No module of this house is due: none is known in its network with a version older than what is kept.");
        }
        if (of(job).stream().anyMatch(row -> row.state() != RolloutRow.State.DONE)) {
            throw ProblemException.conflict(
                    "A roll-out of this house is not done yet. Let it go on, or end it, first.");
        }
        return rollouts.saveAndFlush(new RolloutRow(job, json.writeValueAsString(RolloutDocument.of(plan)), who, now()))
                .id();
    }

    List<RolloutRow> of(UUID job) {
        return rollouts.findByJobIdOrderByMadeAtDesc(job);
    }

    RolloutPlan planOf(RolloutRow row) {
        return json.readValue(row.plan(), RolloutDocument.class).plan();
    }

    List<RolloutEventRow> events(UUID rollout) {
        return events.findByPlaceRolloutIdOrderByPlaceNumber(rollout);
    }

    RolloutRow find(UUID rollout) {
        return rollouts.findById(rollout).orElseThrow(() -> ProblemException.notFound("roll-out"));
    }

    /** Ends after the module that is being done. */
    void halt(UUID rollout) {
        stopping.add(rollout);
        RolloutRow row = find(rollout);
        row.is(RolloutRow.State.HALTED, "halted by hand");
        rollouts.saveAndFlush(row);
    }

    /** Ends it for good; modules that were not done stay as they are. */
    void end(UUID rollout) {
        stopping.add(rollout);
        RolloutRow row = find(rollout);
        row.is(RolloutRow.State.DONE, "ended by hand before all was done");
        rollouts.saveAndFlush(row);
    }

    /** Somebody has looked, and says go on. */
    void goOn(UUID rollout, String who) {
        RolloutRow row = find(rollout);
        if (row.state() == RolloutRow.State.DONE) {
            throw ProblemException.conflict("This roll-out is done.");
        }
        stopping.remove(rollout);
        if (row.state() == RolloutRow.State.STOPPED) {
            write(rollout, new Rollout.Event.GoneOn(who));
        }
        row.is(RolloutRow.State.RUNNING, "");
        rollouts.saveAndFlush(row);
    }

    private void write(UUID rollout, Rollout.Event event) {
        events.saveAndFlush(new RolloutEventRow(rollout, events(rollout).size(), event, now()));
    }

    private void goOn() {
        try {
            // A module that two nodes order about at once ends up anywhere.
            rollouts.findByState(RolloutRow.State.RUNNING)
                    .forEach(row -> leases.alone("rollout " + row.id(), () -> run(row)));
        } catch (RuntimeException e) {
            LOG.warn("A roll-out is tried again soon.", e);
        }
    }

    private void run(RolloutRow row) {
        if (!networks.isThere(row.jobId())) {
            is(row.id(), RolloutRow.State.RUNNING, "waiting for the network of the house");
            return;
        }
        try {
            Rollout.Next next = new Updating(planOf(row), new House(row))
                    .run(events(row.id()).stream().map(RolloutEventRow::event).toList());
            if (next instanceof Rollout.Next.Done) {
                is(row.id(), RolloutRow.State.DONE, "done");
            } else if (next instanceof Rollout.Next.Stopped stopped) {
                is(row.id(), RolloutRow.State.STOPPED, stopped.reason());
            } else if (next instanceof Rollout.Next.Wait wait) {
                is(row.id(), RolloutRow.State.RUNNING, "waiting: " + wait.reason());
            }
        } catch (UncheckedIOException | ProblemException e) {
            is(row.id(), RolloutRow.State.RUNNING, "waiting: " + e.getMessage());
        } catch (DataIntegrityViolationException e) {
            LOG.info("Another process carries this roll-out on.");
        }
    }

    private void is(UUID rollout, RolloutRow.State state, String words) {
        rollouts.findById(rollout)
                .filter(row -> row.state() == RolloutRow.State.RUNNING
                        && !(row.state() == state && row.words().equals(words)))
                .ifPresent(row -> {
                    row.is(state, words);
                    rollouts.saveAndFlush(row);
                });
    }

    /** The house of a roll-out, reached over its networks. */
    private final class House implements Updating.World {
        private final RolloutRow row;
        private final Map<String, Members.Joined> modules = new HashMap<>();
        private final Map<String, String> addresses = new HashMap<>();

        private House(RolloutRow row) {
            this.row = row;
            members.joined(row.jobId()).forEach(member -> {
                modules.put(member.unit().toString(), member);
                addresses.put(member.unit().toString(), member.address());
            });
        }

        private Members.Joined module(Device device) {
            return Optional.ofNullable(modules.get(device.id()))
                    .orElseThrow(() ->
                            ProblemException.conflict("a module of the plan is not known in its network any more"));
        }

        @Override
        public Optional<Answer> ask(Device device, Order order) {
            return networks.of(row.jobId(), module(device).protocol()).ask(order);
        }

        @Override
        public String addressOf(Device device) {
            module(device);
            return addresses.get(device.id());
        }

        @Override
        public String nameOf(Device device) {
            return module(device).name();
        }

        @Override
        public void moved(Device device, String address) {
            addresses.put(device.id(), address);
            members.isNow(module(device).device(), Optional.of(address), Optional.empty());
        }

        @Override
        public byte[] fileOf(Release release) {
            return releases.fileOf(release);
        }

        @Override
        public Set<String> isolated() {
            Set<String> off = isolations.of(row.jobId()).stream()
                    .map(Isolations.Isolated::circuit)
                    .collect(Collectors.toSet());
            // A box on several circuits waits for each of them.
            return isolations.circuitsByBox(row.jobId()).values().stream()
                    .filter(circuits -> Arrays.stream(circuits.split(", ")).anyMatch(off::contains))
                    .collect(Collectors.toSet());
        }

        @Override
        public Set<String> inUse() {
            return members.inUse(row.jobId());
        }

        @Override
        public void happened(Rollout.Event event) {
            write(row.id(), event);
            if (event instanceof Rollout.Event.Reported reported) {
                members.isNow(
                        modules.get(reported.device()).device(),
                        Optional.empty(),
                        Optional.of(reported.version().toString()));
            }
        }

        @Override
        public boolean isStopped() {
            // Halted on this node, or on another.
            return stopping.contains(row.id())
                    || Thread.currentThread().isInterrupted()
                    || find(row.id()).state() != RolloutRow.State.RUNNING;
        }
    }

    /** How long all of it takes in life: about a minute for each module; common practice, no source. */
    static Duration estimate(RolloutPlan plan) {
        return Duration.ofMinutes(plan.waves().stream().mapToInt(List::size).sum());
    }

    /** Every file that replaced another, by module: the version before and after. */
    List<Replaced> replaced(RolloutRow row) {
        Map<String, Device> devices = new HashMap<>();
        planOf(row).waves().forEach(wave -> wave.forEach(device -> devices.put(device.id(), device)));
        List<Replaced> replaced = new ArrayList<>();
        events(row.id()).stream()
                .filter(event -> event.kind().equals("REPORTED"))
                .forEach(event -> replaced.add(new Replaced(
                        event.device(),
                        devices.get(event.device())
                                .installed()
                                .map(Version::toString)
                                .orElse("unknown"),
                        event.detail(),
                        event.happenedAt())));
        return replaced;
    }

    record Replaced(String unit, String from, String to, Instant when) {}

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
