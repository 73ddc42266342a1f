package org.hiddenclerk.app.stage.choosing;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.matching.allocation.Allocation;
import org.hiddenclerk.core.matching.allocation.AllocationTask;
import org.hiddenclerk.core.matching.house.HouseMatch;
import org.hiddenclerk.core.matching.house.HouseOption;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.hiddenclerk.core.matching.house.Unit;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** What is asked of a choice for a house, and what comes of it, as stored and sent. */
final class ChoiceDocument {
    private ChoiceDocument() {}

    /** A unit that must get a module. */
    record PinEntry(@NotBlank @Size(max = 60) String unit, @NotBlank @Size(max = 40) String module) {
        AllocationTask.Pin toPin() {
            return new AllocationTask.Pin(unit, module);
        }
    }

    /** What is asked; the weights are those of the house. */
    record Asked(
            @NotBlank @Size(max = 80) String name, @NotNull @Size(max = 400) List<@Valid @NotNull PinEntry> pins) {}

    /** Something to settle. */
    record UnitView(String unit, String words, UUID box, String label, List<UUID> boxes) {
        static UnitView of(Unit unit, HouseSurvey survey) {
            List<Unit.At> places = unit.gangs().isEmpty() ? unit.loads() : unit.gangs();
            String first = places.get(0).box();
            return new UnitView(
                    unit.id(),
                    unit.words(),
                    UUID.fromString(first),
                    survey.boxes().get(first).label(),
                    places.stream()
                            .map(at -> UUID.fromString(at.box()))
                            .distinct()
                            .toList());
        }
    }

    /**
     * What an option takes, so that a total can be made once more from outside: weights times these, a kind, a maker and a box once each.
     *
     * @param modules      codes of all that goes in
     * @param opened       labels of the boxes that are opened
     * @param links        that another device or the hub has to carry
     * @param exchanged    mechanisms and plates that are exchanged
     * @param silent       whether a wall switch no longer commands it
     * @param cut          whether it can be cut off at the wall
     * @param wishesMissed wishes that it does not meet
     * @param notes        reservations that count against it
     */
    record OptionTollView(
            List<String> modules,
            List<String> opened,
            int minutes,
            int links,
            int bypasses,
            int exchanged,
            boolean silent,
            boolean cut,
            int wishesMissed,
            int notes) {
        static OptionTollView of(HouseOption option, HouseSurvey survey) {
            return new OptionTollView(
                    option.fitted().stream()
                            .map(fitted -> fitted.model().code())
                            .toList(),
                    option.opened().stream()
                            .map(box -> survey.boxes().get(box).label())
                            .toList(),
                    option.minutes(),
                    option.links(),
                    option.bypasses(),
                    option.exchanged(),
                    option.silent(),
                    option.cut(),
                    option.wishesMissed(),
                    option.notes());
        }
    }

    /** What one or more units get. */
    record ChosenView(
            List<String> units,
            UUID lead,
            String label,
            List<Integer> gangs,
            List<Integer> loads,
            SchemeCode scheme,
            String schemeLabel,
            String module,
            String maker,
            String protocol,
            @MayBeAbsent String companion,
            int modules,
            int minutes,
            int opened,
            @MayBeAbsent OptionTollView toll) {
        static ChosenView of(HouseOption option, HouseSurvey survey) {
            return new ChosenView(
                    option.units().stream().map(Unit::id).toList(),
                    UUID.fromString(option.lead()),
                    survey.boxes().get(option.lead()).label(),
                    option.gangs(),
                    option.loads(),
                    option.scheme(),
                    option.scheme().label(),
                    option.model().code(),
                    option.model().maker(),
                    option.model().protocol().label(),
                    option.companion().map(m -> m.code()).orElse(null),
                    option.fitted().size(),
                    option.minutes(),
                    option.opened().size(),
                    OptionTollView.of(option, survey));
        }
    }

    /** A part of the objective. */
    record TermView(Allocation.Term term, String label, BigDecimal amount) {}

    /**
     * A choice that was made.
     *
     * @param atLeast what no choice can cost less than @param inTheWay the one reason that matters, by unit without
     *     a module
     */
    record Outcome(
            List<UnitView> units,
            List<ChosenView> chosen,
            List<String> open,
            List<TermView> terms,
            BigDecimal total,
            BigDecimal gap,
            boolean optimal,
            Map<String, Integer> modules,
            int boxesOpened,
            BigDecimal standbyWatts,
            int standbyUnknown,
            List<FindingView> radio,
            List<PinEntry> brokenPins,
            List<String> mute,
            @MayBeAbsent BigDecimal atLeast,
            @MayBeAbsent Map<String, String> inTheWay) {
        static Outcome of(Allocation made, AllocationTask task, HouseMatch.Result matched) {
            HouseSurvey survey = task.survey();
            List<TermView> terms = new ArrayList<>();
            made.terms()
                    .forEach(
                            (term, cents) -> terms.add(new TermView(term, term.label(), BigDecimal.valueOf(cents, 2))));
            Standby standby =
                    Standby.of(made, survey.house().region().nominalVolts().asDouble());
            return new Outcome(
                    task.units().stream().map(u -> UnitView.of(u, survey)).toList(),
                    made.chosen().stream().map(o -> ChosenView.of(o, survey)).toList(),
                    made.open().stream().map(Unit::id).toList(),
                    terms,
                    BigDecimal.valueOf(made.totalCents(), 2),
                    BigDecimal.valueOf(made.gapCents(), 2),
                    made.isOptimal(),
                    made.modules(),
                    made.boxes().size(),
                    standby.watts(),
                    standby.unknown(),
                    made.radio().stream().map(FindingView::of).toList(),
                    made.brokenPins().stream()
                            .map(pin -> new PinEntry(pin.unit(), pin.module()))
                            .toList(),
                    matched.mute(),
                    BigDecimal.valueOf(made.totalCents() - made.gapCents(), 2),
                    inTheWay(made, matched));
        }

        /** Why positions got no module, by unit; one that the rules of the whole house left out has no reason of its own. */
        private static Map<String, String> inTheWay(Allocation made, HouseMatch.Result matched) {
            Map<String, String> reasons = new LinkedHashMap<>();
            matched.inTheWay().forEach((unit, reason) -> {
                if (made.open().contains(unit)) {
                    reasons.put(unit.id(), reason.words());
                }
            });
            return reasons;
        }
    }
}
