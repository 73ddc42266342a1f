package org.hiddenclerk.app.stage.rules;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.planned.PlannedLink;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Fix;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.Recipe;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuleAnalysis;
import org.hiddenclerk.core.rules.RuleFinding;
import org.hiddenclerk.core.rules.RulePart;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.SentencePart;
import org.hiddenclerk.core.rules.Trigger;
import org.hiddenclerk.core.rules.Words;
import org.hiddenclerk.core.schedule.Location;
import org.hiddenclerk.core.schedule.Occurrences;
import org.hiddenclerk.core.schedule.Schedule;
import tools.jackson.databind.JsonNode;

/** Rules of a house as they are shown: sentences with slots, what is found, what is reached. */
public final class RulesViews {
    private static final int NEXT = 10;

    private RulesViews() {}

    /** A choice with its words. */
    public record SlotChoice(String code, String label) {}

    /** A part of a sentence; with a pointer it is a slot. {@code value} is what stands in the rule there, as JSON text. */
    public record PieceView(
            String words,
            @MayBeAbsent String pointer,
            @MayBeAbsent SentencePart.Kind kind,
            @MayBeAbsent String unit,
            @MayBeAbsent String value) {
        /** @param json that the pointers of the sentence point into */
        public static PieceView of(SentencePart piece, JsonNode json) {
            return piece.slot()
                    .map(slot -> new PieceView(
                            piece.words(),
                            slot.pointer(),
                            slot.kind(),
                            slot.unit(),
                            json.at(slot.pointer()).toString()))
                    .orElseGet(() -> new PieceView(piece.words(), null, null, null, null));
        }
    }

    /** A rule. {@code next} are the next times that it is due, where it is by the clock or the sun. */
    record RuleView(
            String id,
            String name,
            Rule.RunsOn on,
            boolean enabled,
            List<PieceView> sentence,
            List<SentencePartView> parts,
            List<OffsetDateTime> next,
            @MayBeAbsent String nextUnknown) {}

    /** A part of a sentence that can be taken away. */
    public record SentencePartView(String pointer, String words) {
        public static List<SentencePartView> of(Map<String, String> parts) {
            return parts.entrySet().stream()
                    .map(part -> new SentencePartView(part.getKey(), part.getValue()))
                    .toList();
        }
    }

    record HouseLinkView(String id, String sentence, Link.Way way, List<SlotChoice> ways, @MayBeAbsent String wired) {}

    /** Something done at a press that mends a finding. */
    record FixView(Fix.Kind kind, String words, List<String> subjects) {}

    record StoryStepView(long atMs, String words) {}

    record RuleFindingView(FindingView finding, List<StoryStepView> story, List<String> rules, List<FixView> fixes) {
        static RuleFindingView of(RuleFinding found) {
            return new RuleFindingView(
                    FindingView.of(found.finding()),
                    found.story().stream()
                            .map(step -> new StoryStepView(step.atMs(), step.words()))
                            .toList(),
                    found.rules(),
                    found.fixes().stream()
                            .map(fix -> new FixView(fix.kind(), fix.kind().words(), fix.subjects()))
                            .toList());
        }
    }

    /** How one control reaches one output while something is down; {@code down} is in the order of the columns. */
    record ReachRowView(
            String control, String output, String by, int delayMs, List<OutcomeView> down, List<String> takes) {}

    record OutcomeView(Reach.State state, @MayBeAbsent Integer delayMs, @MayBeAbsent String by) {}

    /** Single parts and pairs of them that are down. */
    record ReachGridView(List<String> columns, List<ReachRowView> rows) {}

    record RecipeView(Recipe recipe, String label, String needs, boolean available) {}

    /** A sensor or remote control that no box holds. */
    record ThingView(String id, String name, String what) {}

    /** One of the delays of a house, in milliseconds. */
    record DelayView(String key, String words, int ms, int usual) {
        static List<DelayView> of(Delays own) {
            Delays usual = Delays.USUAL;
            return List.of(
                    new DelayView("wire", "debounce and relay of a wired switch", own.wire(), usual.wire()),
                    new DelayView("group", "from device to device over Wi-Fi", own.group(), usual.group()),
                    new DelayView("binding", "from device to device over a mesh", own.binding(), usual.binding()),
                    new DelayView("mesh", "between a device and its coordinator", own.mesh(), usual.mesh()),
                    new DelayView("wifi", "between a device and broker or hub over Wi-Fi", own.wifi(), usual.wifi()),
                    new DelayView("broker", "through the broker", own.broker(), usual.broker()),
                    new DelayView("hub", "until the hub has decided", own.hub(), usual.hub()),
                    new DelayView("cloud", "to a cloud and back", own.cloud(), usual.cloud()));
        }
    }

    record HousePlaceView(double latitude, double longitude, String zone) {}

    /** Everything of the rules of a house; {@code choices} by kind of slot, {@code runs} are the places where a rule may run. */
    record RulesView(
            long version,
            int devices,
            List<RuleView> rules,
            List<HouseLinkView> links,
            List<RuleFindingView> findings,
            ReachGridView reach,
            List<RecipeView> recipes,
            List<ThingView> things,
            Map<SentencePart.Kind, List<SlotChoice>> choices,
            List<SlotChoice> runs,
            List<String> lost,
            boolean undoable,
            @MayBeAbsent HousePlaceView place,
            List<DelayView> delays,
            List<SlotChoice> parts) {}

    /** @param now from which the next times of schedules are told */
    static RulesView of(Rules.StoredRules kept, Instant now) {
        RuledHouse house = kept.house();
        Delays delays = kept.document().usualOrOwnDelays();
        Optional<Location> where = kept.document().whereabouts();
        Map<SentencePart.Kind, List<SlotChoice>> choices = new EnumMap<>(SentencePart.Kind.class);
        Arrays.stream(SentencePart.Kind.values()).forEach(kind -> choices.put(kind, Slots.choices(house, kind)));
        return new RulesView(
                kept.version(),
                house.devices().size(),
                house.rules().stream()
                        .map(rule -> view(house, rule, where, now))
                        .toList(),
                house.links().stream()
                        .map(link -> view(house, link, kept.planned().house().links()))
                        .toList(),
                RuleAnalysis.of(house, delays).stream().map(RuleFindingView::of).toList(),
                reach(house, delays),
                Arrays.stream(Recipe.values())
                        .map(recipe -> new RecipeView(
                                recipe,
                                recipe.label(),
                                recipe.needs(),
                                recipe.draft(house, "r").isPresent()))
                        .toList(),
                kept.document().things().stream().map(RulesViews::view).toList(),
                choices,
                Arrays.stream(Rule.RunsOn.values())
                        .map(on -> new SlotChoice(on.name(), on.words()))
                        .toList(),
                kept.lost(),
                kept.undoable(),
                Optional.ofNullable(kept.document().place())
                        .map(place -> new HousePlaceView(place.latitude(), place.longitude(), place.zone()))
                        .orElse(null),
                DelayView.of(delays),
                Arrays.stream(RulePart.values())
                        .map(part -> new SlotChoice(part.name(), part.words()))
                        .toList());
    }

    private static RuleView view(RuledHouse house, Rule rule, Optional<Location> where, Instant now) {
        JsonNode json = RuleJson.MAPPER.valueToTree(rule);
        List<PieceView> sentence = Words.of(house, rule).stream()
                .map(piece -> PieceView.of(piece, json))
                .toList();
        List<Schedule> schedules = rule.triggers().stream()
                .filter(Trigger.Due.class::isInstance)
                .map(trigger -> ((Trigger.Due) trigger).schedule())
                .toList();
        if (schedules.isEmpty() || where.isEmpty()) {
            return new RuleView(
                    rule.id(),
                    rule.name(),
                    rule.on(),
                    rule.enabled(),
                    sentence,
                    SentencePartView.of(Words.parts(house, rule)),
                    List.of(),
                    schedules.isEmpty() ? null : "Say where the house is: times are by its clocks and its sun.");
        }
        List<OffsetDateTime> next = schedules.stream()
                .flatMap(schedule -> Occurrences.next(schedule, where.get(), now, NEXT).stream())
                .sorted()
                .limit(NEXT)
                .map(ZonedDateTime::toOffsetDateTime)
                .toList();
        return new RuleView(
                rule.id(),
                rule.name(),
                rule.on(),
                rule.enabled(),
                sentence,
                SentencePartView.of(Words.parts(house, rule)),
                next,
                next.isEmpty() ? "It is never due again." : null);
    }

    private static HouseLinkView view(RuledHouse house, Link link, List<PlannedLink> wired) {
        Set<Link.Way> both = new TreeSet<>(house.owner(link.control()).direct());
        both.retainAll(house.owner(link.output()).direct());
        return new HouseLinkView(
                link.id(),
                Words.of(house, link),
                link.way(),
                Stream.of(both.stream(), Stream.of(link.way(), Link.Way.HUB, Link.Way.CLOUD))
                        .flatMap(ways -> ways)
                        .distinct()
                        .map(way -> new SlotChoice(way.name(), way.words()))
                        .toList(),
                wired.stream()
                        .filter(each -> each.id().equals(link.id()))
                        .map(PlannedLink::reason)
                        .findFirst()
                        .orElse(null));
    }

    private static ThingView view(Device thing) {
        String what = thing.sensors().isEmpty()
                ? "remote control"
                : thing.sensors().stream()
                        .map(sensor -> sensor.senses().name().toLowerCase(Locale.ROOT) + " sensor")
                        .collect(Collectors.joining(", "));
        return new ThingView(thing.id().text(), thing.name(), what);
    }

    private static ReachGridView reach(RuledHouse house, Delays delays) {
        List<Reach.Row> rows = Reach.of(house, delays);
        List<Reach.Part> common = rows.stream()
                .flatMap(row -> row.paths().stream())
                .flatMap(path -> path.parts().stream())
                .filter(part -> part.kind().compareTo(Reach.Part.Kind.MAINS) < 0)
                .distinct()
                .sorted()
                .toList();
        List<Set<Reach.Part>> columns = new ArrayList<>();
        common.forEach(part -> columns.add(Set.of(part)));
        for (int i = 0; i < common.size(); i++) {
            for (int j = i + 1; j < common.size(); j++) {
                columns.add(new TreeSet<>(Set.of(common.get(i), common.get(j))));
            }
        }
        return new ReachGridView(
                columns.stream()
                        .map(parts ->
                                "no " + parts.stream().map(Reach.Part::words).collect(Collectors.joining(", no ")))
                        .toList(),
                rows.stream()
                        .map(row -> new ReachRowView(
                                house.nameOf(row.control()),
                                house.nameOf(row.output()),
                                row.paths().get(0).words(),
                                row.paths().get(0).delayMs(),
                                columns.stream()
                                        .map(parts -> view(row.without(parts)))
                                        .toList(),
                                row.paths().get(0).parts().stream()
                                        .map(Reach.Part::words)
                                        .toList()))
                        .toList());
    }

    private static OutcomeView view(Reach.Outcome outcome) {
        return new OutcomeView(
                outcome.state(),
                outcome.delayMs().isPresent() ? outcome.delayMs().getAsInt() : null,
                outcome.by().map(Reach.Path::words).orElse(null));
    }
}
