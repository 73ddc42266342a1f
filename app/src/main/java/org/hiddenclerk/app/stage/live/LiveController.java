package org.hiddenclerk.app.stage.live;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import java.security.Principal;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.network.BrokerAccounts;
import org.hiddenclerk.app.job.network.BrokerLine;
import org.hiddenclerk.app.job.settings.HouseSettings;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.stage.live.LiveViews.LiveBrokerView;
import org.hiddenclerk.app.stage.live.LiveViews.LiveOutputNameView;
import org.hiddenclerk.app.stage.live.LiveViews.LiveView;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.standins.wire.HouseTopics;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The planned house of a job, running. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/live")
@Tag(name = "live")
class LiveController {
    private final LiveHouses live;
    private final LiveNews news;
    private final PlannedHouses planned;
    private final Houses houses;
    private final HouseSettings settings;
    private final BrokerLine broker;
    private final BrokerAccounts accounts;
    private final People people;

    LiveController(
            LiveHouses live,
            LiveNews news,
            PlannedHouses planned,
            Houses houses,
            HouseSettings settings,
            BrokerLine broker,
            BrokerAccounts accounts,
            People people) {
        this.live = live;
        this.news = news;
        this.planned = planned;
        this.houses = houses;
        this.settings = settings;
        this.broker = broker;
        this.accounts = accounts;
        this.people = people;
    }

    @GetMapping
    @Needs(Right.VISIT)
    @Operation(operationId = "liveHouse")
    LiveView live(@PathVariable UUID job) {
        LivePlan plan = live.plan(job);
        HouseTopics topics = new HouseTopics(BrokerAccounts.rootOf(job), plan.house(), live.handles(job, plan.house()));
        List<LiveOutputNameView> outputs = plan.house().outputs().values().stream()
                .map(output -> new LiveOutputNameView(
                        output.id().text(),
                        output.name(),
                        output.drives(),
                        output.dims(),
                        topics.order(plan.house().owner(output.id()), output.id())))
                .toList();
        return new LiveView(
                LiveViews.storeys(
                        planned.of(job), houses.rooms(job), settings.house(job).document()),
                LiveViews.parts(plan),
                LiveViews.sensors(plan),
                LiveViews.buttons(plan),
                outputs,
                plan.house().devices().size(),
                new LiveBrokerView(broker.broker().url(), BrokerAccounts.rootOf(job), broker.isInside()),
                live.of(job).orElse(null),
                news.events(job));
    }

    @PostMapping("/start")
    @Operation(
            operationId = "startLiveHouse",
            summary = "Lets the house run as it is planned now; one that runs is started again")
    LiveView start(@PathVariable UUID job) {
        live.start(job);
        return live(job);
    }

    @DeleteMapping
    @Operation(operationId = "stopLiveHouse")
    LiveView stop(@PathVariable UUID job) {
        live.stop(job);
        return live(job);
    }

    @PostMapping("/deeds")
    @Operation(
            operationId = "doInLiveHouse",
            summary = "A hand, an order by remote, a sensor, a fault, the world around")
    LiveNow deed(@PathVariable UUID job, @Valid @RequestBody LiveDeed deed) {
        houses.job(job);
        live.happens(job, deed);
        return live.of(job).orElseThrow();
    }

    @GetMapping(value = "/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    @Needs(Right.VISIT)
    @Operation(operationId = "watchLiveHouse", summary = "Server-sent events: how it is now, and what happens")
    SseEmitter watch(@PathVariable UUID job) {
        houses.job(job);
        return news.watch(job);
    }

    /** @param mayCommand whether it may order outputs, or only watch */
    record NewBrokerAccount(boolean mayCommand) {}

    @GetMapping("/accounts")
    @Operation(operationId = "brokerAccounts", summary = "Accounts of outside clients at the broker, for this house")
    List<BrokerAccounts.BrokerAccount> accounts(@PathVariable UUID job) {
        return accounts.of(job);
    }

    @PostMapping("/accounts")
    @Needs(Right.LEAD)
    @Operation(operationId = "makeBrokerAccount", summary = "Makes an account; its password is told this once")
    BrokerAccounts.MadeBrokerAccount make(@PathVariable UUID job, @RequestBody NewBrokerAccount made, Principal who) {
        return accounts.make(job, made.mayCommand(), people.nameOf(who));
    }

    @DeleteMapping("/accounts/{account}")
    @Needs(Right.LEAD)
    @Operation(operationId = "takeBrokerAccount", summary = "Takes an account away; whoever is in by it is sent out")
    List<BrokerAccounts.BrokerAccount> take(@PathVariable UUID job, @PathVariable UUID account) {
        accounts.take(job, account);
        return accounts.of(job);
    }
}
