package org.hiddenclerk.core.joining;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.firmware.Device;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Rollout;
import org.hiddenclerk.core.firmware.Rollout.Event;
import org.hiddenclerk.core.firmware.Rollout.Next;
import org.hiddenclerk.core.firmware.RolloutPlan;
import org.hiddenclerk.core.firmware.Version;

/**
 * Carries a roll-out out. Every event is handed over before the next thing is done, so that whoever is cut off can go on from what
 * was written down. A module starts with a file only once it has all of it and its sum is right; whatever happens in between, it
 * is what it was before.
 */
public final class Updating {
    /** Octets of a file that are sent at once. */
    public static final int PART = 4096;

    private final RolloutPlan plan;
    private final World world;

    public Updating(RolloutPlan plan, World world) {
        this.plan = plan;
        this.world = world;
    }

    /** The house in which the roll-out happens. */
    public interface World {
        Optional<Answer> ask(Device device, Order order);

        /** Where the module is reached now. */
        String addressOf(Device device);

        /** The name that it bears. */
        String nameOf(Device device);

        /** It came back under another address. */
        void moved(Device device, String address);

        byte[] fileOf(Release release);

        /** Circuits that are switched off, or on which people are at work. */
        Set<String> isolated();

        /** Modules of which a channel is in use. */
        Set<String> inUse();

        /** Writes down what happened. */
        void happened(Event event);

        /** Whether somebody wants it to stop after what is being done now. */
        boolean isStopped();
    }

    /** Goes on until nothing can be done any more, or somebody stops it. */
    public Next run(List<Event> past) {
        Rollout rollout = Rollout.replay(plan, past);
        Next next = rollout.next(world.isolated(), world.inUse());
        while (!world.isStopped() && (next instanceof Next.Start || next instanceof Next.Read)) {
            Device device = next instanceof Next.Start start
                    ? start.devices().get(0)
                    : ((Next.Read) next).devices().get(0);
            if (next instanceof Next.Start) {
                record(rollout, new Event.Started(device.id()));
                Optional<String> trouble = send(device, plan.releases().get(device.kind()));
                record(
                        rollout,
                        trouble.map(why -> (Event) new Event.Failed(device.id(), why))
                                .orElseGet(() -> reported(device)));
            } else {
                record(rollout, reported(device));
            }
            next = rollout.next(world.isolated(), world.inUse());
        }
        return next;
    }

    private void record(Rollout rollout, Event event) {
        world.happened(event);
        rollout.add(event);
    }

    /** Why it could not be sent; empty when the module starts with it. */
    private Optional<String> send(Device device, Release release) {
        byte[] file = world.fileOf(release);
        if (!release.isOf(file)) {
            return Optional.of("the file at hand is not the one of the release: its sum is " + Release.sumOf(file));
        }
        Optional<String> trouble = trouble(
                device,
                new Order.BeginFile(
                        world.addressOf(device), release.version().toString(), release.sha256(), file.length));
        for (int at = 0; at < file.length && trouble.isEmpty(); at += PART) {
            trouble = trouble(
                    device,
                    new Order.FilePart(
                            world.addressOf(device),
                            at,
                            Arrays.copyOfRange(file, at, Math.min(file.length, at + PART))));
        }
        return trouble.or(() -> trouble(device, new Order.EndFile(world.addressOf(device))));
    }

    private Optional<String> trouble(Device device, Order order) {
        Optional<Answer> answer = world.ask(device, order);
        return answer.isEmpty()
                ? Optional.of("it does not answer")
                : answer.get() instanceof Answer.Refused refused ? Optional.of(refused.reason()) : Optional.empty();
    }

    private Event reported(Device device) {
        Optional<Member> now = look(device).or(() -> {
            found(device);
            return look(device);
        });
        return now.map(member -> (Event) new Event.Reported(
                        device.id(), Version.read(member.version()).orElseThrow(), member.sha256()))
                .orElseGet(() -> new Event.Failed(device.id(), "it does not answer"));
    }

    private Optional<Member> look(Device device) {
        return world.ask(device, new Order.Look(world.addressOf(device)))
                .filter(answer -> answer instanceof Answer.Members)
                .flatMap(answer -> ((Answer.Members) answer).members().stream().findFirst());
    }

    /** It may be there under another address. */
    private void found(Device device) {
        world.ask(device, new Order.Inventory())
                .filter(answer -> answer instanceof Answer.Members)
                .ifPresent(answer -> Optional.ofNullable(InventoryComparison.of(
                                        Map.of(world.nameOf(device), world.addressOf(device)),
                                        ((Answer.Members) answer).members())
                                .moved()
                                .get(world.addressOf(device)))
                        .ifPresent(address -> world.moved(device, address)));
    }
}
