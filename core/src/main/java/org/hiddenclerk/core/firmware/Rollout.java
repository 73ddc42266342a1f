package org.hiddenclerk.core.firmware;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A roll-out on its way: a plan, and what happened so far. Nothing else is remembered, so that whoever was cut off goes on from
 * the events that were written down; a module that was begun and of which nothing more is known is read before it is tried again.
 */
public final class Rollout {
    private final RolloutPlan plan;
    private final Map<String, Status> status = new HashMap<>();
    private final Map<String, Integer> tries = new HashMap<>();
    private final Map<String, String> troubles = new HashMap<>();
    private int wave;
    private int marked;
    private boolean stopped;

    private Rollout(RolloutPlan plan) {
        this.plan = plan;
        plan.waves().forEach(each -> each.forEach(device -> status.put(device.id(), Status.WAITING)));
    }

    /** How a module stands. */
    public enum Status {
        WAITING,
        STARTED,
        VERIFIED,
        MARKED,
        HELD
    }

    /** What happened. */
    public sealed interface Event {
        /** The transfer to a module was begun. */
        record Started(String device) implements Event {}

        /** What a module says it has, and the sum of the file that it was given. */
        record Reported(String device, Version version, String sha256) implements Event {}

        /** A module did not take it, or did not answer. */
        record Failed(String device, String reason) implements Event {}

        /** A person has looked, and says go on. */
        record GoneOn(String who) implements Event {}
    }

    /** What is to be done now. */
    public sealed interface Next {
        /** Modules to be given their firmware. */
        record Start(List<Device> devices) implements Next {}

        /** Modules that were begun: their version is to be read, which tells whether they have it. */
        record Read(List<Device> devices) implements Next {}

        /** Nothing, until something changes. */
        record Wait(String reason) implements Next {}

        /** A person has to look. */
        record Stopped(String reason) implements Next {}

        /** Nothing is left to do. */
        record Done() implements Next {}
    }

    /** @throws IllegalArgumentException for events that cannot have happened to this plan */
    public static Rollout replay(RolloutPlan plan, List<Event> events) {
        Rollout rollout = new Rollout(plan);
        rollout.advance();
        events.forEach(rollout::add);
        return rollout;
    }

    /** @throws IllegalArgumentException for an event that cannot happen now */
    public void add(Event event) {
        refusal(event).ifPresent(why -> {
            throw new IllegalArgumentException(why);
        });
        happened(event);
    }

    /** Why an event cannot happen now; empty when it can. */
    public Optional<String> refusal(Event event) {
        if (event instanceof Event.GoneOn) {
            return stopped ? Optional.empty() : Optional.of("Nothing is stopped.");
        }
        String id = idOf(event);
        boolean inWave = wave < plan.waves().size()
                && plan.waves().get(wave).stream()
                        .anyMatch(device -> device.id().equals(id));
        if (!inWave) {
            return Optional.of(id + " is not in turn.");
        }
        boolean begins = event instanceof Event.Started;
        if (begins && stopped) {
            return Optional.of("The roll-out is stopped.");
        }
        return status.get(id) == (begins ? Status.WAITING : Status.STARTED)
                ? Optional.empty()
                : Optional.of(id + " is " + status.get(id).name().toLowerCase(java.util.Locale.ROOT) + ".");
    }

    private static String idOf(Event event) {
        if (event instanceof Event.Started started) {
            return started.device();
        }
        return event instanceof Event.Reported reported ? reported.device() : ((Event.Failed) event).device();
    }

    private void happened(Event event) {
        if (event instanceof Event.GoneOn) {
            stopped = false;
            marked = 0;
        } else if (event instanceof Event.Started started) {
            status.put(started.device(), Status.STARTED);
            tries.merge(started.device(), 1, Integer::sum);
        } else if (event instanceof Event.Reported reported) {
            reported(reported);
        } else {
            failed(idOf(event), ((Event.Failed) event).reason());
        }
        advance();
    }

    private void reported(Event.Reported reported) {
        Release release = plan.releaseFor(device(reported.device()));
        if (!reported.sha256().equals(release.sha256())) {
            failed(
                    reported.device(),
                    "the file that it was given is not the one of the release: its sum is " + reported.sha256());
        } else if (!reported.version().equals(release.version())) {
            failed(reported.device(), "it says " + reported.version() + ", not " + release.version());
        } else {
            status.put(reported.device(), Status.VERIFIED);
        }
    }

    private void failed(String id, String reason) {
        troubles.put(id, reason);
        if (tries.get(id) < plan.policy().tries()) {
            status.put(id, Status.WAITING);
            return;
        }
        status.put(id, Status.MARKED);
        marked++;
        if (wave == 0) {
            String kind = device(id).kind();
            plan.waves().stream()
                    .flatMap(List::stream)
                    .filter(d -> d.kind().equals(kind) && status.get(d.id()) == Status.WAITING)
                    .forEach(d -> {
                        status.put(d.id(), Status.HELD);
                        troubles.put(d.id(), "the first of its kind, " + id + ", did not take it");
                    });
        }
        stopped = marked >= plan.policy().stopAfter();
    }

    private Device device(String id) {
        return plan.waves().stream()
                .flatMap(List::stream)
                .filter(d -> d.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    /** Goes on to the first wave in which something is left. */
    private void advance() {
        while (wave < plan.waves().size()
                && !stopped
                && plan.waves().get(wave).stream().allMatch(d -> isSettled(d.id()))) {
            wave++;
            marked = 0;
        }
    }

    private boolean isSettled(String id) {
        return status.get(id) == Status.VERIFIED || status.get(id) == Status.MARKED || status.get(id) == Status.HELD;
    }

    /**
     * What is to be done now.
     *
     * @param isolated circuits that are switched off, or on which people are at work
     * @param inUse    modules of which a channel is in use
     */
    public Next next(Set<String> isolated, Set<String> inUse) {
        if (stopped) {
            return new Next.Stopped(marked + " modules of this wave did not take it");
        }
        if (wave >= plan.waves().size()) {
            return new Next.Done();
        }
        List<Device> begun = new ArrayList<>();
        List<Device> free = new ArrayList<>();
        Set<String> reasons = new HashSet<>();
        for (Device device : plan.waves().get(wave)) {
            if (status.get(device.id()) == Status.STARTED) {
                begun.add(device);
            } else if (status.get(device.id()) == Status.WAITING && isolated.contains(device.circuit())) {
                reasons.add("circuit " + device.circuit() + " is isolated");
            } else if (status.get(device.id()) == Status.WAITING && inUse.contains(device.id())) {
                reasons.add(device.id() + " is in use");
            } else if (status.get(device.id()) == Status.WAITING) {
                free.add(device);
            }
        }
        if (!begun.isEmpty()) {
            return new Next.Read(begun);
        }
        return free.isEmpty()
                ? new Next.Wait(String.join(", ", new java.util.TreeSet<>(reasons)))
                : new Next.Start(free);
    }

    public Status status(String device) {
        return status.get(device);
    }

    /** What went wrong with modules that do not have it, by module. */
    public Map<String, String> troubles() {
        Map<String, String> open = new HashMap<>(troubles);
        open.keySet().removeIf(id -> status.get(id) == Status.VERIFIED);
        return open;
    }
}
