package org.hiddenclerk.app.stage.rules;

import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import tools.jackson.core.JsonPointer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Puts something else into a slot of a sentence. */
public final class SlotFilling {
    private SlotFilling() {}

    /**
     * Changes a sentence in place.
     *
     * @param json  what the sentence is made from
     * @param parts pattern of the first level that slots are below
     * @throws ProblemException when there is no such slot
     */
    public static void fill(ObjectNode json, String parts, String pointer, JsonNode value) {
        JsonPointer at = pointer(pointer);
        JsonNode holder = json.at(at.head());
        String last = at.last().getMatchingProperty();
        if (holder.at("/" + last).isMissingNode() || !pointer.matches("/" + parts + "/.*")) {
            throw ProblemException.content(
                    "The sentence cannot be changed so",
                    new FieldProblem("/pointer", pointer, "a slot of this sentence"));
        }
        if (holder instanceof ObjectNode object) {
            object.set(last, value);
        } else {
            ((ArrayNode) holder).set(Integer.parseInt(last), value);
        }
    }

    /**
     * Takes a part of a sentence away, in place.
     *
     * @param parts pattern of the lists that parts are in
     * @throws ProblemException when there is no such part
     */
    public static void take(ObjectNode json, String parts, String pointer) {
        if (!pointer.matches("/" + parts + "/\\d{1,3}") || json.at(pointer).isMissingNode()) {
            throw ProblemException.content(
                    "The sentence cannot be changed so",
                    new FieldProblem("/pointer", pointer, "a part of this sentence"));
        }
        int last = pointer.lastIndexOf('/');
        ((ArrayNode) json.at(pointer.substring(0, last))).remove(Integer.parseInt(pointer.substring(last + 1)));
    }

    private static JsonPointer pointer(String text) {
        try {
            return JsonPointer.compile(text);
        } catch (IllegalArgumentException e) {
            throw ProblemException.content(
                    "The sentence cannot be changed so", new FieldProblem("/pointer", text, "a JSON pointer"));
        }
    }
}
