package org.hiddenclerk.app.stage.live;

import jakarta.annotation.PreDestroy;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import org.hiddenclerk.app.job.network.BrokerAccounts;
import org.hiddenclerk.app.job.network.BrokerLine;
import org.hiddenclerk.app.platform.background.Worker;
import org.hiddenclerk.app.platform.nodes.Leases;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.bench.DeviceNames;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.naming.Names;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.standins.wire.HouseOnBroker;
import org.hiddenclerk.standins.wire.HouseTopics;
import org.springframework.stereotype.Service;

/** Houses that run on this node. */
@Service
class LiveHouses {
    private static final long TELL_MS = 60;
    private static final long TELL_ANYWAY_MS = 2_000;
    private static final int MOST = 20;
    private static final int MOST_EVENTS = 100;
    private static final String HUB = "hub";
    private static final int STOP_MS = 3_000;
    private static final int GLANCE_MS = 50;

    private final LivePlans plans;
    private final DeviceNames names;
    private final BrokerLine broker;
    private final LiveNews news;
    private final Leases leases;
    private final Clock clock;
    private final Map<UUID, Standing> houses = new ConcurrentHashMap<>();
    private final ScheduledExecutorService teller = Worker.named("live news");

    LiveHouses(LivePlans plans, DeviceNames names, BrokerLine broker, LiveNews news, Leases leases, Clock clock) {
        this.plans = plans;
        this.names = names;
        this.broker = broker;
        this.news = news;
        this.clock = clock;
        this.leases = leases;
        news.whenAsked(new LiveNews.Asked() {
            @Override
            public void asked(UUID job, LiveDeed deed) {
                Optional.ofNullable(houses.get(job))
                        .ifPresent(standing -> standing.house().running().tell(deed::doIn));
            }

            @Override
            public void stopAsked(UUID job) {
                // Not on the thread that hears: stopping tells in its turn.
                teller.execute(() -> stopHere(job));
            }
        });
        teller.scheduleWithFixedDelay(this::tellNews, TELL_MS, TELL_MS, TimeUnit.MILLISECONDS);
    }

    private record Standing(
            HouseOnBroker house,
            LivePlan plan,
            Queue<LiveEvent> events,
            AtomicBoolean stirred,
            AtomicReference<Told> told) {
        boolean isOverdue() {
            Told last = told.get();
            return last == null || System.nanoTime() - last.atNanos() > TELL_ANYWAY_MS * 1_000_000;
        }
    }

    /** What was told of a house last, and when. */
    private record Told(LiveNow now, long atNanos) {}

    /** The house of a job as it is planned, with what its people want of its switches. */
    LivePlan plan(UUID job) {
        return plans.of(job);
    }

    /** Names as levels of topics, by device. */
    Map<DeviceId, String> handles(UUID job, RuledHouse house) {
        Map<DeviceId, String> handles = new HashMap<>(names.handles(job));
        List<Device> others = house.devices().stream()
                .filter(device -> !handles.containsKey(device.id()))
                .toList();
        HashSet<String> taken = new HashSet<>(handles.values());
        taken.add(HUB);
        List<String> own = Names.handles(others.stream().map(Device::name).toList(), taken);
        for (int i = 0; i < others.size(); i++) {
            handles.put(others.get(i).id(), own.get(i));
        }
        return handles;
    }

    /** Lets a house run as it is planned now; one that runs already is put in anew. */
    void start(UUID job) {
        LivePlan plan = plan(job);
        if (plan.house().devices().isEmpty()) {
            throw ProblemException.conflict("No module is planned in this house yet. Pick modules in Match first.");
        }
        if (houses.size() >= MOST && !houses.containsKey(job)) {
            throw ProblemException.conflict(MOST + " houses run already. Stop one of them first.");
        }
        stop(job);
        if (!leases.take(lease(job))) {
            throw ProblemException.conflict("The house runs on another node, or ran on one that is gone. Try again in "
                    + Leases.AFTER_DEATH.toSeconds() + " s.");
        }
        try {
            Queue<LiveEvent> events = new ConcurrentLinkedQueue<>();
            AtomicBoolean stirred = new AtomicBoolean(true);
            HouseOnBroker house = new HouseOnBroker(
                    broker.broker(),
                    "live-" + job,
                    plan,
                    clock.instant(),
                    new HouseTopics(BrokerAccounts.rootOf(job), plan.house(), handles(job, plan.house())),
                    happening -> events.add(LiveEvent.of(happening)),
                    live -> stirred.set(true));
            houses.put(job, new Standing(house, plan, events, stirred, new AtomicReference<>()));
            tellHow(job, houses.get(job));
        } catch (UncheckedIOException e) {
            throw ProblemException.conflict(
                    e.getMessage() + " Start the broker, or leave CLERK_MQTT_URL away to use the one inside.");
        } finally {
            if (!houses.containsKey(job)) {
                leases.giveBack(lease(job));
            }
        }
    }

    private static String lease(UUID job) {
        return "live " + job;
    }

    /** Stops a house, wherever it runs. */
    void stop(UUID job) {
        if (houses.containsKey(job)) {
            stopHere(job);
        } else if (news.askToStop(job)) {
            for (int waited = 0; waited < STOP_MS && news.last(job).isPresent(); waited += GLANCE_MS) {
                pause();
            }
        }
    }

    private static void pause() {
        try {
            Thread.sleep(GLANCE_MS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void stopHere(UUID job) {
        Standing standing = houses.remove(job);
        if (standing != null) {
            try {
                standing.house().close();
                news.over(job);
            } finally {
                leases.giveBack(lease(job));
            }
        }
    }

    private static LiveNow now(Standing standing) {
        boolean connected = standing.house().isWhole();
        return standing.house().running().ask(live -> LiveNow.of(live, connected));
    }

    /** How a house is; empty when it does not run anywhere. */
    Optional<LiveNow> of(UUID job) {
        Standing here = houses.get(job);
        return here != null ? Optional.of(now(here)) : news.last(job);
    }

    /** Does something in a house, wherever it runs. */
    void happens(UUID job, LiveDeed deed) {
        Standing here = houses.get(job);
        deed.check(here != null ? here.plan() : plan(job));
        if (here != null) {
            here.house().running().tell(deed::doIn);
        } else if (!news.ask(job, deed)) {
            throw ProblemException.conflict("The house does not run. Start it first.");
        }
    }

    /** Tells how a house is, unless it is as it was told last not long ago. */
    private void tellHow(UUID job, Standing standing) {
        LiveNow now = now(standing);
        if (standing.isOverdue() || now.differsFrom(standing.told().get().now())) {
            standing.told().set(new Told(now, System.nanoTime()));
            news.tell(job, now);
        }
    }

    private void tellNews() {
        houses.forEach((job, standing) -> {
            try {
                List<LiveEvent> events = new ArrayList<>();
                for (LiveEvent next = standing.events().poll();
                        next != null;
                        next = standing.events().poll()) {
                    events.add(next);
                }
                if (!events.isEmpty()) {
                    // A storm is told by its end.
                    news.tell(job, events.subList(Math.max(0, events.size() - MOST_EVENTS), events.size()));
                }
                if (standing.stirred().getAndSet(false) || standing.isOverdue()) {
                    tellHow(job, standing);
                }
            } catch (IllegalStateException | UncheckedIOException e) {
                // The house has just been stopped, or the broker is away: the next round tells.
                standing.stirred().set(true);
            }
        });
    }

    @PreDestroy
    void stop() {
        teller.shutdownNow();
        houses.keySet().forEach(job -> {
            try {
                stopHere(job);
            } catch (UncheckedIOException e) {
                // The broker is gone before us; what it kept of the house is too old soon.
            }
        });
    }
}
