package org.hiddenclerk.core.rules;

import java.util.List;
import org.hiddenclerk.core.finding.Finding;

/**
 * Something found of links and rules.
 *
 * @param story the shortest course of events that shows it; empty where none is needed
 * @param rules ids of those that have a part in it
 * @param fixes what mends it at a press
 */
public record RuleFinding(Finding finding, List<StoryStep> story, List<String> rules, List<Fix> fixes) {
    public RuleFinding {
        story = List.copyOf(story);
        rules = List.copyOf(rules);
        fixes = List.copyOf(fixes);
    }

    /** One line of a story. */
    public record StoryStep(long atMs, String words) {}
}
