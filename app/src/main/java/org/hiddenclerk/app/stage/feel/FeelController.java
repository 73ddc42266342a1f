package org.hiddenclerk.app.stage.feel;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.feel.FeelDocument.EventEntry;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.Household;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameter;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.behaviour.Scenario;
import org.hiddenclerk.core.behaviour.ScenarioResult;
import org.hiddenclerk.core.behaviour.Wall;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** How the switches of a box will act. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/boxes/{box}/feel")
@Tag(name = "feel")
class FeelController {
    private final Feels feels;
    private final People people;

    FeelController(Feels feels, People people) {
        this.feels = feels;
        this.people = people;
    }

    /** A choice with its words. */
    record FeelChoice(String code, String label) {}

    /** An occasion as it goes with a behaviour; events on a clock that begins at 0, in milliseconds. */
    record PlayedView(
            Scenario occasion,
            String label,
            String words,
            int hands,
            int wasted,
            int contradictions,
            int failed,
            boolean leftOn,
            List<EventEntry> events,
            long untilMs) {
        static PlayedView of(ScenarioResult played, Wall wall) {
            return new PlayedView(
                    played.occasion(),
                    played.occasion().label(),
                    played.words(wall),
                    played.hands(),
                    played.wasted(),
                    played.contradictions(),
                    played.failed(),
                    played.leftOn(),
                    played.events().stream().map(EventEntry::of).toList(),
                    played.untilMs());
        }
    }

    /**
     * A behaviour with what it costs here, and what it costs each school of the household; {@code refusal} says why it cannot be had,
     * {@code parameters} what can be set of it.
     */
    record AdviceView(
            InputBehaviour behaviour,
            String label,
            @MayBeAbsent String refusal,
            int cost,
            List<Integer> costs,
            PowerOn powerOn,
            String powerOnReason,
            Set<Parameter> parameters,
            List<PlayedView> played) {
        static AdviceView of(Adviser.Advice advice, Wall wall) {
            Adviser.PowerOnAdvice powerOn = Adviser.powerOn(advice.behaviour());
            return new AdviceView(
                    advice.behaviour(),
                    advice.behaviour().label(),
                    advice.refusal().orElse(null),
                    advice.cost(),
                    advice.costs(),
                    powerOn.state(),
                    powerOn.reason(),
                    advice.behaviour().parameters(),
                    advice.played().stream()
                            .map(played -> PlayedView.of(played, wall))
                            .toList());
        }
    }

    /**
     * One switch input. {@code box} is the one whose pick it belongs to, and {@code boxVersion} of that; {@code
     * switches} are those that it reads, with their places.
     */
    record FeelInputView(
            UUID box,
            long boxVersion,
            String key,
            long version,
            String name,
            String module,
            List<String> switches,
            Wall.Kind wall,
            int ends,
            InputBehaviour behaviour,
            FeelDocument document,
            List<AdviceView> advice,
            Map<String, String> settings,
            List<FindingView> findings) {}

    /** A box; {@code wants} and {@code remotes} are what may be chosen. */
    record FeelView(
            long boxVersion,
            List<FeelInputView> inputs,
            List<FeelChoice> wants,
            List<FeelChoice> remotes,
            List<FeelChoice> powerOns,
            List<FeelChoice> occasions) {}

    /** What is wanted from now on. */
    record FeelChange(
            long version, long boxVersion, @NotNull InputBehaviour behaviour, @NotNull @Valid FeelDocument document) {}

    @GetMapping
    @Operation(
            operationId = "feel",
            summary = "Every switch input of a box's plan, with behaviours ranked by what they cost")
    FeelView feel(@PathVariable UUID box) {
        Feels.Felt felt = feels.of(box);
        return new FeelView(
                felt.boxVersion(),
                felt.inputs().stream().map(input -> view(felt, input)).toList(),
                Arrays.stream(Household.Want.values())
                        .map(want -> new FeelChoice(want.name(), want.label()))
                        .toList(),
                Arrays.stream(Household.RemoteUse.values())
                        .map(use -> new FeelChoice(use.name(), use.label()))
                        .toList(),
                Arrays.stream(PowerOn.values())
                        .map(state -> new FeelChoice(state.name(), state.label()))
                        .toList(),
                Arrays.stream(Scenario.values())
                        .map(occasion -> new FeelChoice(occasion.name(), occasion.label()))
                        .toList());
    }

    private static FeelInputView view(Feels.Felt all, Feels.FeltInput felt) {
        Wall wall = felt.input().wall();
        String box = felt.id().box();
        return new FeelInputView(
                UUID.fromString(box),
                all.versions().get(box),
                felt.id().key(),
                felt.version(),
                Feels.name(felt.input()),
                felt.input().fitted().model().code(),
                felt.input().gangs().stream().map(gang -> gang.words()).toList(),
                wall.kind(),
                wall.ends(),
                felt.behaviour(),
                felt.document(),
                felt.advice().stream()
                        .map(advice -> AdviceView.of(advice, wall))
                        .toList(),
                felt.settings(),
                felt.findings().stream().map(FindingView::of).toList());
    }

    @PutMapping("/{module}/{input}")
    @Operation(
            operationId = "keepFeel",
            summary = "Keeps what is wanted of a switch input; another behaviour changes the plan of the box too")
    FeelView keep(
            @PathVariable UUID box,
            @PathVariable String module,
            @PathVariable String input,
            @Valid @RequestBody FeelChange change,
            Principal who) {
        feels.keep(
                box,
                module + "/" + input,
                change.version(),
                change.boxVersion(),
                change.behaviour(),
                change.document(),
                people.nameOf(who));
        return feel(box);
    }
}
