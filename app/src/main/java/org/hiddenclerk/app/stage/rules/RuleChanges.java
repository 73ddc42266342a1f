package org.hiddenclerk.app.stage.rules;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Fix;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Recipe;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RulePart;
import org.hiddenclerk.core.rules.RuledHouse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Drafts links and rules of a house and changes them, each by the version that was seen. What would break another sentence is
 * refused with where it stands; the last change can be taken back.
 */
@Service
class RuleChanges {
    private static final int MOST = 500;

    private final Rules rules;
    private final RulesRepository rows;
    private final PlannedHouses planned;
    private final Clock clock;

    RuleChanges(Rules rules, RulesRepository rows, PlannedHouses planned, Clock clock) {
        this.rules = rules;
        this.rows = rows;
        this.planned = planned;
        this.clock = clock;
    }

    /** Drafts a rule that follows no recipe, to be put together by its parts. */
    @Transactional
    public void add(UUID job, long version, String who) {
        Rule drafted = RulePart.draft(rules.of(job).house(), newId())
                .orElseThrow(() -> ProblemException.conflict(
                        "This house has no switch and no output yet. Pick modules in Match first."));
        add(job, version, List.of(drafted), who);
    }

    @Transactional
    public void addPart(UUID job, long version, String id, RulePart part, String who) {
        Rule changed = part.addTo(rule(job, id), rules.of(job).house())
                .orElseThrow(() -> ProblemException.conflict("This house lacks what this part of a sentence takes."));
        keep(job, version, changed, who);
    }

    /** Takes a part of the sentence away, by its pointer such as {@code /guards/1}. */
    @Transactional
    public void takePart(UUID job, long version, String id, String pointer, String who) {
        ObjectNode json = RuleJson.MAPPER.valueToTree(rule(job, id)).asObject();
        SlotFilling.take(json, "(triggers|guards|deeds)", pointer);
        Rule changed = read(json);
        keep(job, version, changed, who);
    }

    private static String newId() {
        return "r" + UUID.randomUUID().toString().substring(0, 8);
    }

    /** Drafts the rules of a recipe on the first suitable devices. */
    @Transactional
    public void add(UUID job, long version, Recipe recipe, String who) {
        Rules.StoredRules now = rules.of(job);
        List<Rule> drafted = recipe.draft(now.house(), newId())
                .orElseThrow(() ->
                        ProblemException.conflict("This house lacks what the recipe takes: " + recipe.needs() + "."));
        add(job, version, drafted, who);
    }

    /** Fills a slot of a sentence otherwise. */
    @Transactional
    public void fill(UUID job, long version, String rule, String pointer, JsonNode value, String who) {
        Rule old = rule(job, rule);
        ObjectNode json = RuleJson.MAPPER.valueToTree(old).asObject();
        SlotFilling.fill(json, "(triggers|guards|deeds)", pointer, value);
        Rule changed = read(json);
        keep(job, version, changed, who);
    }

    private static Rule read(JsonNode json) {
        try {
            return RuleJson.MAPPER.treeToValue(json, Rule.class);
        } catch (JacksonException | NullPointerException | IllegalArgumentException e) {
            throw ProblemException.content(
                    "The sentence cannot be changed so", new FieldProblem("/value", "", "a value that fits this slot"));
        }
    }

    private Rule rule(UUID job, String id) {
        return rules.of(job).document().rules().stream()
                .filter(rule -> rule.id().equals(id))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("rule"));
    }

    /** Names a rule, moves it, switches it on or off. */
    @Transactional
    public void set(UUID job, long version, String id, String name, Rule.RunsOn on, boolean enabled, String who) {
        Rule old = rule(job, id);
        Rule changed = new Rule(old.id(), name, on, old.triggers(), old.guards(), old.deeds(), enabled);
        keep(job, version, changed, who);
    }

    @Transactional
    public void remove(UUID job, long version, String id, String who) {
        requireOwn(job, id);
        change(job, version, who, document -> document.withRules(document.rules().stream()
                        .filter(rule -> !rule.id().equals(id))
                        .toList())
                .withLinks(document.links().stream()
                        .filter(link -> !link.id().equals(id))
                        .toList())
                .withThings(document.things().stream()
                        .filter(thing -> !thing.id().text().equals(id))
                        .toList()));
    }

    @Transactional
    public void link(UUID job, long version, Link link, String who) {
        requireOwn(job, link.id());
        if (Rules.isWired(planned.of(job).house().links(), link.control(), link.output())) {
            throw ProblemException.conflict("This switch commands this output already: the plan links them.");
        }
        change(
                job,
                version,
                who,
                document -> document.withLinks(Stream.concat(
                                document.links().stream()
                                        .filter(each -> !each.id().equals(link.id())),
                                Stream.of(link))
                        .toList()));
    }

    @Transactional
    public void linkBy(UUID job, long version, String id, Link.Way way, String who) {
        requireOwn(job, id);
        Link old = rules.of(job).document().links().stream()
                .filter(link -> link.id().equals(id))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("link"));
        link(job, version, old.by(way), who);
    }

    @Transactional
    public void add(UUID job, long version, Device thing, String who) {
        change(
                job,
                version,
                who,
                document -> document.withThings(Stream.concat(document.things().stream(), Stream.of(thing))
                        .toList()));
    }

    @Transactional
    public void add(UUID job, long version, List<Rule> more, String who) {
        change(
                job,
                version,
                who,
                document -> document.withRules(
                        Stream.concat(document.rules().stream(), more.stream()).toList()));
    }

    @Transactional
    public void move(UUID job, long version, RulesDocument.PlaceEntry place, String who) {
        try {
            place.whereabouts();
        } catch (IllegalArgumentException e) {
            throw ProblemException.content(
                    "The house cannot be there",
                    new FieldProblem(
                            "/place",
                            place.latitude() + ", " + place.longitude() + ", " + place.zone(),
                            e.getMessage()));
        }
        change(job, version, who, document -> document.at(place));
    }

    @Transactional
    public void take(UUID job, long version, Delays delays, String who) {
        change(job, version, who, document -> document.withDelays(delays));
    }

    /** Does what mends a finding. */
    @Transactional
    public void mend(UUID job, long version, Fix fix, String who) {
        Rules.StoredRules kept = rules.of(job);
        RulesDocument now = kept.document();
        RuledHouse mended = fix.applyTo(new RuledHouse(Rules.all(kept.planned(), now), now.links(), now.rules()));
        change(job, version, who, document -> {
            Map<OutputId, Device.Drives> declared = new HashMap<>(document.declared());
            if (fix.kind() == Fix.Kind.DECLARE_AS_LIGHT) {
                fix.subjects().forEach(output -> declared.put(new OutputId(output), Device.Drives.LIGHT));
            }
            return document.withRules(mended.rules()).withLinks(mended.links()).withDeclared(declared);
        });
    }

    /** Takes the last change back; once more brings it again. */
    @Transactional
    public void takeBack(UUID job, long version, String who) {
        String previous = rows.findById(job)
                .flatMap(RulesRow::previous)
                .orElseThrow(() -> ProblemException.conflict("There is no change to take back."));
        RulesDocument before = RuleJson.MAPPER.readValue(previous, RulesDocument.class);
        change(job, version, who, document -> before);
    }

    /** Keeps a rule in the place of the one that has its id. */
    private void keep(UUID job, long version, Rule changed, String who) {
        change(
                job,
                version,
                who,
                document -> document.withRules(document.rules().stream()
                        .map(each -> each.id().equals(changed.id()) ? changed : each)
                        .toList()));
    }

    private void change(UUID job, long version, String who, UnaryOperator<RulesDocument> change) {
        Rules.StoredRules before = rules.of(job);
        if (before.version() != version) {
            throw ProblemException.conflict(
                    "Somebody changed the rules of this house meanwhile. Your entry is not saved; look at them again.");
        }
        RulesDocument next = change.apply(before.document());
        List<RuledHouse.Problem> problems =
                new RuledHouse(Rules.all(before.planned(), next), next.links(), next.rules()).problems();
        // What was lost before may stay lost; what is wrong now is refused.
        List<RuledHouse.Problem> old = new RuledHouse(
                        Rules.all(before.planned(), before.document()),
                        before.document().links(),
                        before.document().rules())
                .problems();
        List<FieldProblem> fresh = problems.stream()
                .filter(problem -> old.stream()
                        .noneMatch(o -> o.found().equals(problem.found())
                                && o.expected().equals(problem.expected())))
                .map(problem -> new FieldProblem(problem.pointer(), problem.found(), problem.expected()))
                .toList();
        if (!fresh.isEmpty()) {
            throw ProblemException.content("The rules cannot be kept like this", fresh);
        }
        if (next.rules().size() + next.links().size() + next.things().size() > MOST) {
            throw ProblemException.conflict("A house keeps " + MOST + " rules, links, sensors and remotes at most.");
        }
        RulesRow row = rows.findById(job)
                .orElseGet(() -> new RulesRow(job, RuleJson.MAPPER.writeValueAsString(RulesDocument.EMPTY)));
        row.is(RuleJson.MAPPER.writeValueAsString(next), who, clock.instant().truncatedTo(ChronoUnit.MICROS));
        rows.saveAndFlush(row);
    }

    /** @throws ProblemException for a link that a plan needs: it goes with its plan */
    private void requireOwn(UUID job, String id) {
        planned.of(job).house().links().stream()
                .filter(link -> link.id().equals(id))
                .findFirst()
                .ifPresent(link -> {
                    throw ProblemException.conflict(
                            "This link belongs to the wiring: without it a switch works nothing. It goes "
                                    + "with the plan of its module, in Match.");
                });
    }
}
