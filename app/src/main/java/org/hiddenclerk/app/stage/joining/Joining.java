package org.hiddenclerk.app.stage.joining;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.network.Networks;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.bench.Bench;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.Gateway;
import org.hiddenclerk.core.joining.Member;
import org.hiddenclerk.core.joining.Order;
import org.hiddenclerk.core.joining.Window;
import org.hiddenclerk.core.naming.DeviceName;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.stereotype.Service;

/** Opens networks, tells devices apart, and sets them up. Nothing is asked of a network inside a transaction: an answer may take long. */
@Service
class Joining {
    /** How long ago somebody may have moved a switch. */
    private static final Duration JUST_NOW = Duration.ofSeconds(60);

    private static final Logger LOG = LoggerFactory.getLogger(Joining.class);

    private final JoinedDeviceRepository devices;
    private final JoinWindowRepository windows;
    private final Members members;
    private final Networks networks;
    private final Bench bench;
    private final WiredLinks links;
    private final Houses houses;
    private final Clock clock;

    Joining(
            JoinedDeviceRepository devices,
            JoinWindowRepository windows,
            Members members,
            Networks networks,
            Bench bench,
            WiredLinks links,
            Houses houses,
            Clock clock) {
        this.devices = devices;
        this.windows = windows;
        this.members = members;
        this.networks = networks;
        this.bench = bench;
        this.links = links;
        this.houses = houses;
        this.clock = clock;
    }

    List<JoinedDeviceRow> devices(UUID job) {
        return devices.findByJobIdOrderByCameInAt(houses.job(job).id());
    }

    List<JoinWindowRow> windows(UUID job) {
        return windows.findByOfJobId(job).stream()
                .filter(row -> row.closesAt().isAfter(now()))
                .toList();
    }

    /** Protocols that modules speak. */
    static Set<Protocol> protocols(Collection<Bench.Ready> modules) {
        Set<Protocol> spoken =
                modules.stream().map(module -> module.model().protocol()).collect(Collectors.toSet());
        return spoken.isEmpty() ? spoken : EnumSet.copyOf(spoken);
    }

    /** Opens or extends a window. */
    void open(UUID job, Protocol protocol, int seconds, String who) {
        houses.job(job);
        Window limits = Window.of(protocol);
        if (!limits.takes(seconds)) {
            throw ProblemException.content(
                    "The network cannot be opened so",
                    new FieldProblem(
                            "/seconds",
                            String.valueOf(seconds),
                            limits.least() + " to " + limits.most() + " s: " + limits.source()));
        }
        Gateway gateway = networks.of(job, protocol);
        if (limits.byCodeOnly()) {
            codesOfWaiting(job, protocol)
                    .forEach(code -> done(gateway, new Order.OpenWindow(seconds, Optional.of(code)), "The network"));
        } else {
            done(gateway, new Order.OpenWindow(seconds, Optional.empty()), "The network");
        }
        try {
            opened(job, protocol, seconds, who);
        } catch (DataIntegrityViolationException | OptimisticLockingFailureException e) {
            // Somebody opened it in the same moment: then it is open already, and longer from now on.
            opened(job, protocol, seconds, who);
        }
    }

    private void opened(UUID job, Protocol protocol, int seconds, String who) {
        JoinWindowRow row =
                windows.findById(new JoinWindowRow.Of(job, protocol)).orElseGet(() -> new JoinWindowRow(job, protocol));
        row.opens(who, now(), now().plusSeconds(seconds));
        windows.saveAndFlush(row);
    }

    private List<String> codesOfWaiting(UUID job, Protocol protocol) {
        List<UUID> in = members.joined(job).stream().map(Members.Joined::unit).toList();
        List<String> codes = bench.modules(job).stream()
                .filter(module -> module.model().protocol() == protocol && !in.contains(module.unit()))
                .flatMap(module -> bench.codeOf(module.unit()).stream())
                .toList();
        if (codes.isEmpty()) {
            throw ProblemException.conflict(
                    protocol.label() + " devices are let in by their own codes only, and none that waits has its code "
                            + "on record. Scan it on the bench first.");
        }
        return codes;
    }

    void close(UUID job, Protocol protocol) {
        done(networks.of(job, protocol), new Order.CloseWindow(), "The network");
        windows.findById(new JoinWindowRow.Of(job, protocol)).ifPresent(row -> {
            row.closes(now());
            windows.saveAndFlush(row);
        });
    }

    /** Asks every network of a job who is there. */
    void takeInventory(UUID job) {
        for (Protocol protocol : protocols(bench.modules(job))) {
            Answer answer = networks.of(job, protocol)
                    .ask(new Order.Inventory())
                    .orElseThrow(
                            () -> ProblemException.conflict("The " + protocol.label() + " network does not answer."));
            if (answer instanceof Answer.Members now) {
                members.areThere(job, protocol, now.members());
            }
        }
    }

    JoinedDeviceRow device(UUID device) {
        return devices.findById(device).orElseThrow(() -> ProblemException.notFound("device"));
    }

    JoinedDeviceRow turn(UUID device, int channel, boolean on, String who) {
        JoinedDeviceRow row = device(device);
        tell(row, new Order.Switch(row.address(), channel, on));
        members.wasTold(row, who);
        return row;
    }

    JoinedDeviceRow seen(UUID device, UUID unit, boolean there, String who) {
        JoinedDeviceRow row = device(device);
        requireModule(row.jobId(), unit);
        if (members.lastTold(row.jobId()).filter(device::equals).isEmpty()) {
            throw ProblemException.content(
                    "It is not told by this",
                    new FieldProblem(
                            "/unit",
                            "the device " + row.address() + " was not the last that was switched",
                            "what changed when this device was switched: switch it, and look"));
        }
        members.note(row, unit, there ? RecognitionNoteRow.Saw.SWITCHED : RecognitionNoteRow.Saw.NOT_THERE, who);
        if (there) {
            // It was switched on to be seen; left on it would count as in use.
            device(device).channelsOn().forEach(channel -> tell(row, new Order.Switch(row.address(), channel, false)));
        }
        return row;
    }

    private Bench.Ready requireModule(UUID job, UUID unit) {
        return bench.modules(job).stream()
                .filter(module -> module.unit().equals(unit))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("module"));
    }

    /** Somebody moved the wall switch at a module just now: the device that reported it is that module. */
    void flipped(UUID job, UUID unit, String who) {
        Bench.Ready module = requireModule(job, unit);
        List<JoinedDeviceRow> reported = devices(job).stream()
                .filter(row -> row.unit().isEmpty()
                        && row.kind().equals(module.model().code())
                        && row.flippedAt()
                                .filter(at -> at.isAfter(now().minus(JUST_NOW)))
                                .isPresent())
                .toList();
        if (reported.size() != 1) {
            throw ProblemException.content(
                    "It is not told by this",
                    new FieldProblem(
                            "/unit",
                            reported.isEmpty()
                                    ? "no " + module.model().code()
                                            + " that is not known yet reported a switch in the last "
                                            + JUST_NOW.toSeconds() + " s"
                                    : reported.size() + " devices reported a switch",
                            "one device; move this switch only, and wait a minute after another one"));
        }
        members.note(reported.get(0), unit, RecognitionNoteRow.Saw.FLIPPED, who);
    }

    JoinedDeviceRow forgetNotes(UUID device) {
        JoinedDeviceRow row = device(device);
        members.forgetNotes(row);
        return row;
    }

    /** Names a device as its module is called, writes its settings and reads them back. */
    JoinedDeviceRow setUp(UUID device) {
        JoinedDeviceRow row = device(device);
        Bench.Ready module = requireModule(
                row.jobId(),
                row.unit().orElseThrow(() -> ProblemException.conflict("It is not known yet which module this is.")));
        String handle = module.name()
                .orElseThrow(() -> ProblemException.conflict("The module has no name yet."))
                .handle();
        tell(row, new Order.Rename(row.address(), handle));
        row.isCalled(handle);
        JoinedDeviceRow set = write(row, links.of(row.jobId()).wanted(module));
        tellOf(set, module);
        return set;
    }

    private JoinedDeviceRow write(JoinedDeviceRow row, Map<String, String> wanted) {
        if (!wanted.isEmpty()) {
            tell(row, new Order.Write(row.address(), wanted));
        }
        Answer read = tell(row, new Order.ReadSettings(row.address()));
        row.reads(read instanceof Answer.Settings settings ? settings.settings() : Map.of());
        return devices.saveAndFlush(row);
    }

    /** Devices that command this one by themselves are told where it is; who does not answer shows it. */
    private void tellOf(JoinedDeviceRow device, Bench.Ready module) {
        WiredLinks.State state = links.of(device.jobId());
        Map<UUID, Bench.Ready> modules =
                bench.modules(device.jobId()).stream().collect(Collectors.toMap(Bench.Ready::unit, each -> each));
        for (JoinedDeviceRow row : state.commanding(module)) {
            try {
                write(row, state.wanted(modules.get(row.unit().orElseThrow())));
            } catch (ProblemException e) {
                LOG.info("{} is not told where {} is: {}", row.address(), device.address(), e.getMessage());
            }
        }
    }

    /** Gives devices that were set up the names that their modules have now; who does not answer keeps the old one and shows it. */
    void renameAll(UUID job) {
        Map<UUID, Bench.Ready> modules =
                bench.modules(job).stream().collect(Collectors.toMap(Bench.Ready::unit, module -> module));
        for (JoinedDeviceRow row : devices(job)) {
            Optional<String> handle =
                    row.unit().map(modules::get).flatMap(Bench.Ready::name).map(DeviceName::handle);
            if (handle.isPresent()
                    && row.settings().isPresent()
                    && !handle.get().equals(row.name())) {
                tell(row, new Order.Rename(row.address(), handle.get()));
                row.isCalled(handle.get());
                devices.saveAndFlush(row);
            }
        }
    }

    /** Reads how well a device is heard, with its box open or closed. */
    JoinedDeviceRow link(UUID device, boolean closed) {
        JoinedDeviceRow row = device(device);
        Answer answer = tell(row, new Order.Look(row.address()));
        if (answer instanceof Answer.Members now) {
            Member member = now.members().get(0);
            row.says(member);
            row.isHeard(member.link(), closed);
        }
        return devices.saveAndFlush(row);
    }

    private Answer tell(JoinedDeviceRow row, Order order) {
        Gateway gateway = networks.of(row.jobId(), row.protocol());
        Optional<Answer> answer = ask(gateway, order);
        if (answer.isEmpty()) {
            row.isSilent(true);
            devices.saveAndFlush(row);
            throw ProblemException.conflict("The device " + row.address()
                    + " does not answer. Take its supply away for 10 s, or ask the network who is there.");
        }
        return refuse(answer.get(), "The device " + row.address());
    }

    private static void done(Gateway gateway, Order order, String who) {
        refuse(ask(gateway, order).orElseThrow(() -> ProblemException.conflict(who + " does not answer.")), who);
    }

    private static Optional<Answer> ask(Gateway gateway, Order order) {
        try {
            return gateway.ask(order);
        } catch (java.io.UncheckedIOException e) {
            throw ProblemException.conflict(e.getMessage());
        }
    }

    private static Answer refuse(Answer answer, String who) {
        if (answer instanceof Answer.Refused refused) {
            throw ProblemException.conflict(who + " refuses: " + refused.reason() + ".");
        }
        return answer;
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
