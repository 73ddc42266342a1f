package org.hiddenclerk.core.planned;

import org.hiddenclerk.core.rules.Link;

/**
 * That an input commands a channel of another module, because the plan needs it: it belongs to the wiring as a wire does.
 *
 * @param reason why it goes this way
 */
public record PlannedLink(
        PlannedId.Input input,
        PlannedId.Output output,
        Link.Way way,
        Link.Effect effect,
        boolean throughGroup,
        String reason) {
    /** Known by its input: an input commands one channel. */
    public String id() {
        return input.text();
    }

    public Link link() {
        return new Link(id(), input.inHouse(), output.inHouse(), way, effect, throughGroup);
    }
}
