package org.hiddenclerk.app.stage.rules;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuleAnalysis;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.SentencePart;
import org.hiddenclerk.core.rules.Words;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;

/** A rules document that its schema has accepted: read, and analysed. */
public final class RuleCheck {
    private final Document document;
    private final RuledHouse house;

    private RuleCheck(Document document) {
        this.document = document;
        house = new RuledHouse(document.devices, document.links, document.rules);
    }

    private record Document(List<Device> devices, List<Link> links, List<Rule> rules, @MayBeAbsent Delays delays) {}

    /** A way from a control to an output. */
    public record PathView(String words, int delayMs, List<String> parts) {}

    /** What is left while {@code down} is missing. */
    public record DownView(List<String> down, Reach.State state, @MayBeAbsent Integer delayMs) {}

    public record ReachedView(String control, String output, List<PathView> paths, List<DownView> down) {}

    /** What was found, how the rules read, and what is reached. */
    public record RulesAnswer(
            List<RulesViews.RuleFindingView> findings, Map<String, String> sentences, List<ReachedView> reach) {}

    /** @throws IllegalArgumentException for a value that the schema cannot tell from a good one */
    public static RuleCheck read(JsonNode document) {
        try {
            return new RuleCheck(RuleJson.MAPPER.treeToValue(document, Document.class));
        } catch (JacksonException e) {
            throw new IllegalArgumentException(e.getOriginalMessage(), e);
        }
    }

    /** Ids that are not there, and what else cannot be. */
    public List<FieldProblem> problems() {
        return house.problems().stream()
                .map(problem -> new FieldProblem(problem.pointer(), problem.found(), problem.expected()))
                .toList();
    }

    public RulesAnswer answer() {
        Delays delays = document.delays == null ? Delays.USUAL : document.delays;
        Map<String, String> sentences = new LinkedHashMap<>();
        house.rules().forEach(rule -> sentences.put(rule.id(), SentencePart.plain(Words.of(house, rule))));
        return new RulesAnswer(
                RuleAnalysis.of(house, delays).stream()
                        .map(RulesViews.RuleFindingView::of)
                        .toList(),
                sentences,
                Reach.of(house, delays).stream().map(RuleCheck::view).toList());
    }

    private static ReachedView view(Reach.Row row) {
        return new ReachedView(
                row.control().text(),
                row.output().text(),
                row.paths().stream()
                        .map(path -> new PathView(
                                path.words(),
                                path.delayMs(),
                                path.parts().stream().map(Reach.Part::words).toList()))
                        .toList(),
                row.down().entrySet().stream()
                        .map(e -> new DownView(
                                e.getKey().stream()
                                        .sorted()
                                        .map(Reach.Part::words)
                                        .collect(Collectors.toList()),
                                e.getValue().state(),
                                e.getValue().delayMs().isPresent()
                                        ? e.getValue().delayMs().getAsInt()
                                        : null))
                        .toList());
    }
}
