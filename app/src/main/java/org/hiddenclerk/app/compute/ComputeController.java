package org.hiddenclerk.app.compute;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.rules.RuleCheck;
import org.hiddenclerk.core.behaviour.Machine;
import org.hiddenclerk.core.conductors.Traced;
import org.hiddenclerk.core.conductors.Tracing;
import org.hiddenclerk.core.credentials.Checked;
import org.hiddenclerk.core.credentials.CredentialKind;
import org.hiddenclerk.core.credentials.TypingError;
import org.hiddenclerk.core.credentials.Violation;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.WiringRules;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.radio.ChannelPlan;
import org.hiddenclerk.core.schedule.Location;
import org.hiddenclerk.core.schedule.SunDay;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Stateless computations for scripts and other software. */
@RestController
@Needs(Right.FACTS)
@RequestMapping("/api/v1/compute")
@Tag(name = "compute")
class ComputeController {
    private static final String UNUSABLE = "The document cannot be used";
    private final FormatSchema wiringSchema = new FormatSchema("wiring");
    private final FormatSchema traceSchema = new FormatSchema("trace");
    private final FormatSchema behaviourSchema = new FormatSchema("behaviour");
    private final FormatSchema rulesSchema = new FormatSchema("rules");

    @PostMapping("/wiring-check")
    @Operation(
            operationId = "wiringCheck",
            summary = "Judge a wiring in every switching state",
            description = "The request is described by docs/formats/wiring.schema.json.")
    WiringAnswer wiringCheck(@RequestBody JsonNode document) {
        refuse(wiringSchema.problemsOf(document));
        Wiring wiring = WiringReader.read(document);
        refuse(WiringRules.problemsOf(wiring).stream()
                .map(p -> new FieldProblem(p.pointer(), p.found(), p.expected()))
                .toList());
        return WiringAnswer.of(WiringCheck.of(wiring));
    }

    @PostMapping("/trace")
    @Operation(
            operationId = "trace",
            summary = "Tell which conductor is what, and which reading to make next",
            description = "The request is described by docs/formats/trace.schema.json.")
    TraceAnswer trace(@RequestBody JsonNode document) {
        refuse(traceSchema.problemsOf(document));
        TraceReader reader = new TraceReader(document);
        refuse(reader.problems());
        try {
            Traced traced = Tracing.of(reader.board(), reader.region(), reader.readings());
            return TraceAnswer.of(traced, traced.possible().stream().anyMatch(p -> p.topology()
                    .contains("+")));
        } catch (Tracing.TooMany e) {
            throw ProblemException.content(
                    UNUSABLE,
                    List.of(new FieldProblem(
                            "/boxes", "more wirings than can be told apart", "fewer boxes at a time")));
        }
    }

    @PostMapping("/behaviour")
    @Operation(
            operationId = "behaviour",
            summary =
                    "Run a switch input on a virtual clock: what the relay does, and what a hand has to do after a command",
            description = "The request is described by docs/formats/behaviour.schema.json.")
    BehaviourAnswer behaviour(@RequestBody JsonNode document) {
        refuse(behaviourSchema.problemsOf(document));
        BehaviourReader reader = new BehaviourReader(document);
        refuse(reader.problems());
        Machine machine = reader.machine();
        return BehaviourAnswer.of(machine, machine.run(reader.start(), reader.events(), reader.untilMs()));
    }

    @PostMapping("/rules-check")
    @Operation(
            operationId = "rulesCheck",
            summary =
                    "Find faults of links and rules by letting everything happen, and tell what works when something is down",
            description = "The request is described by docs/formats/rules.schema.json.")
    RuleCheck.RulesAnswer rulesCheck(@RequestBody JsonNode document) {
        refuse(rulesSchema.problemsOf(document));
        RuleCheck check;
        try {
            check = RuleCheck.read(document);
        } catch (IllegalArgumentException e) {
            throw ProblemException.content(UNUSABLE, List.of(new FieldProblem("", "", String.valueOf(e.getMessage()))));
        }
        refuse(check.problems());
        return check.answer();
    }

    /** A place and days that follow each other. */
    record SunQuestion(
            @DecimalMin("-90") @DecimalMax("90") double latitude,
            @DecimalMin("-180") @DecimalMax("180") double longitude,
            @NotNull @Size(max = 60) String zone,
            @NotNull LocalDate from,
            @Min(1) @Max(400) int days) {}

    /** The sun of one day; rise and set are left out where it stays up or down. */
    record SunDayView(
            LocalDate date,
            @MayBeAbsent OffsetDateTime rise,
            OffsetDateTime noon,
            @MayBeAbsent OffsetDateTime set,
            boolean up) {}

    @PostMapping("/sun")
    @Operation(operationId = "sun", summary = "Sunrise, noon and sunset of days at a place, by its clocks")
    List<SunDayView> sun(@Valid @RequestBody SunQuestion question) {
        Location where;
        try {
            where = new Location(question.latitude(), question.longitude(), ZoneId.of(question.zone()));
        } catch (DateTimeException e) {
            throw ProblemException.content(
                    UNUSABLE,
                    new FieldProblem("/zone", question.zone(), "a zone of the time zone database, like Europe/Vienna"));
        }
        return question.from()
                .datesUntil(question.from().plusDays(question.days()))
                .map(date -> {
                    SunDay day = SunDay.of(where, date);
                    return new SunDayView(
                            date,
                            day.rise().map(ZonedDateTime::toOffsetDateTime).orElse(null),
                            day.noon().toOffsetDateTime(),
                            day.set().map(ZonedDateTime::toOffsetDateTime).orElse(null),
                            day.isUp());
                })
                .toList();
    }

    /** A code to be checked. */
    record CredentialQuestion(@NotNull CredentialKind kind, @NotNull @Size(max = 500) String text) {}

    /**
     * What checking a code came to. Nothing of a good one is repeated but what is no secret.
     *
     * @param flaw  the rule that a wrong one breaks, in words
     * @param slips single slips of the hand that would explain a wrong one
     */
    record CredentialAnswer(
            boolean good,
            List<CredentialKind.Fact> facts,
            @MayBeAbsent Violation.Rule rule,
            @MayBeAbsent String flaw,
            List<TypingError> slips) {}

    @PostMapping("/credential-check")
    @Operation(
            operationId = "credentialCheck",
            summary = "Check a code, key or network by its published arithmetic; nothing is kept")
    CredentialAnswer credentialCheck(@Valid @RequestBody CredentialQuestion question) {
        Checked<CredentialKind.Read> checked = question.kind().read(question.text());
        return new CredentialAnswer(
                checked.value().isPresent(),
                checked.value().map(CredentialKind.Read::facts).orElse(List.of()),
                checked.flaw().map(Violation::rule).orElse(null),
                checked.flaw().map(Violation::toString).orElse(null),
                checked.slips());
    }

    /** Wi-Fi channels in use at 2.4 GHz, here and next door. */
    record ChannelQuestion(@NotNull @Size(max = 14) List<@NotNull @Min(1) @Max(14) Integer> wifi) {}

    /** A channel of IEEE 802.15.4; overlap and distance in MHz. */
    record ChannelView(int channel, int mhz, ChannelPlan.Band band, double overlapMhz, boolean clear, boolean weak) {}

    /** Every channel, the Wi-Fi beside them, and the channel to take. */
    record ChannelAnswer(List<ChannelView> channels, List<ChannelPlan.Band> wifi, int best) {}

    @PostMapping("/radio-plan")
    @Operation(
            operationId = "radioPlan",
            summary = "Channels of IEEE 802.15.4 beside the Wi-Fi in use, by centre frequencies and widths")
    ChannelAnswer radioPlan(@Valid @RequestBody ChannelQuestion question) {
        ChannelPlan plan = ChannelPlan.beside(question.wifi());
        return new ChannelAnswer(
                plan.slots().stream()
                        .map(slot -> new ChannelView(
                                slot.channel(),
                                slot.mhz(),
                                ChannelPlan.band(slot),
                                slot.overlapMhz(),
                                slot.isClear(),
                                slot.isWeak()))
                        .toList(),
                question.wifi().stream()
                        .distinct()
                        .sorted()
                        .map(ChannelPlan::wifiBand)
                        .toList(),
                plan.best());
    }

    private static void refuse(List<FieldProblem> problems) {
        if (!problems.isEmpty()) {
            throw ProblemException.content(UNUSABLE, problems);
        }
    }
}
