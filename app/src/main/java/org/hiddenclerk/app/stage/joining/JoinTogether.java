package org.hiddenclerk.app.stage.joining;

import jakarta.annotation.PreDestroy;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import org.hiddenclerk.app.job.network.Networks;
import org.hiddenclerk.app.job.network.StandInHouses;
import org.hiddenclerk.app.platform.background.Worker;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.bench.Bench;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.joining.BatchJoin;
import org.hiddenclerk.core.joining.BatchJoin.Expected;
import org.hiddenclerk.core.joining.Member;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.event.TransactionalEventListener;
import tools.jackson.databind.json.JsonMapper;

/** Lets in together, in the background, whatever has its code and address on record. */
@Service
class JoinTogether {
    private static final Logger LOG = LoggerFactory.getLogger(JoinTogether.class);

    private final JoinRunRepository runs;
    private final Joining joining;
    private final Outwards outwards;
    private final Members members;
    private final Bench bench;
    private final Networks networks;
    private final StandInHouses standIns;
    private final JsonMapper json;
    private final Clock clock;
    private final ExecutorService worker = Worker.named("join-together");

    JoinTogether(
            JoinRunRepository runs,
            Joining joining,
            Outwards outwards,
            Members members,
            Bench bench,
            Networks networks,
            StandInHouses standIns,
            JsonMapper json,
            Clock clock) {
        this.runs = runs;
        this.joining = joining;
        this.outwards = outwards;
        this.members = members;
        this.bench = bench;
        this.networks = networks;
        this.standIns = standIns;
        this.json = json;
        this.clock = clock;
    }

    @PreDestroy
    void close() {
        worker.shutdownNow();
    }

    List<JoinRunRow> of(UUID job) {
        return runs.findByJobIdOrderByBegunAt(job);
    }

    /** Modules of a protocol that are not in yet and may be let in together, those that others are reached through first. */
    List<Expected> expected(UUID job, Protocol protocol) {
        List<UUID> in = members.joined(job).stream().map(Members.Joined::unit).toList();
        List<Bench.Ready> waiting = bench.modules(job).stream()
                .filter(m -> m.model().protocol() == protocol
                        && !in.contains(m.unit())
                        && m.name().isPresent()
                        && m.address().isPresent()
                        && bench.codeOf(m.unit()).isPresent())
                .toList();
        return outwards.order(job, waiting).stream()
                .map(m -> new Expected(
                        m.serial(),
                        m.address().orElseThrow(),
                        bench.codeOf(m.unit()).orElseThrow(),
                        m.name().orElseThrow().handle(),
                        m.wanted()))
                .toList();
    }

    void begin(UUID job, Protocol protocol, String who) {
        List<Expected> expected = expected(job, protocol);
        if (expected.isEmpty()) {
            throw ProblemException.conflict(
                    "No " + protocol.label() + " module waits that has its code, its address and its name on record.");
        }
        var gateway = networks.of(job, protocol);
        JoinRunRow row = runs.saveAndFlush(new JoinRunRow(job, protocol, expected.size(), who, now()));
        worker.execute(() -> {
            List<Finding> findings = new ArrayList<>();
            try {
                findings.addAll(new BatchJoin(gateway, world(job)).run(expected).findings());
            } catch (UncheckedIOException e) {
                findings.addAll(expected.stream()
                        .map(module -> org.hiddenclerk.core.joining.JoinFindings.notIn(
                                module.id(), 0, java.util.Optional.empty()))
                        .toList());
            } finally {
                row.ended(
                        json.writeValueAsString(
                                findings.stream().map(FindingView::of).toList()),
                        now());
                runs.saveAndFlush(row);
            }
        });
    }

    /** Names change on the bench, on labels and in the networks together. */
    @TransactionalEventListener
    void renamed(Bench.Renamed renamed) {
        if (networks.isThere(renamed.job())) {
            worker.execute(() -> {
                try {
                    joining.renameAll(renamed.job());
                } catch (ProblemException e) {
                    LOG.info("Not every device has its new name: {}", e.getMessage());
                }
            });
        }
    }

    private BatchJoin.World world(UUID job) {
        return new BatchJoin.World() {
            @Override
            public void pass(Duration time) {
                try {
                    Thread.sleep(networks.takes(job, time).toMillis());
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            }

            @Override
            public void search(Expected module) {
                // Where the house is a stand-in, its hands press the button; in a real one the module searches since it
                // has its supply.
                standIns.of(job).filter(house -> house.knows(module.id())).ifPresent(house -> house.press(module.id()));
            }

            @Override
            public void cameIn(Expected module, Member member) {
                // It is written down when it is heard.
            }
        };
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
