package org.hiddenclerk.app.testing;

import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Somebody who asks the API and wants an answer that is no problem. */
public interface Asker {
    /** @param method of HTTP, in upper case */
    JsonNode ask(String method, String path, @Nullable Object body);

    /** Id of the demo job. */
    default String demoJob() {
        for (JsonNode job : ask("GET", "/api/v1/jobs", null)) {
            if (job.get("name").asString().equals("Tannery House")) {
                return job.get("id").asString();
            }
        }
        throw new AssertionError("The demo house is not loaded.");
    }

    /** Id of a box of the demo house by its label. */
    default String demoBox(String label) {
        for (JsonNode box : ask("GET", "/api/v1/jobs/" + demoJob(), null).get("boxes")) {
            if (box.get("label").asString().equals(label)) {
                return box.get("id").asString();
            }
        }
        throw new AssertionError("No box " + label);
    }
}
