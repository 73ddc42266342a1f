package org.hiddenclerk.app.testing;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Somebody who asks the API and wants an answer that is no problem. */
public interface Asker {
    /**
     * @param method of HTTP, in upper case
     * @param body   a document, JSON as text, or the bytes of a JPEG
     */
    JsonNode ask(String method, String path, @Nullable Object body);

    /** Adds a photo to a box. */
    default void photograph(String box) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB), "jpg", out);
            ask("POST", "/api/v1/boxes/" + box + "/photos", out.toByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Id of the demo job that most tests work on. */
    default String demoJob() {
        return demoJob("Tannery House");
    }

    /** Id of a job by its name. */
    default String demoJob(String name) {
        for (JsonNode job : ask("GET", "/api/v1/jobs", null)) {
            if (job.get("name").asString().equals(name)) {
                return job.get("id").asString();
            }
        }
        throw new AssertionError(name + " is not loaded.");
    }

    /** Id of a box of the demo house by its label. */
    default String demoBox(String label) {
        return demoBox("Tannery House", label);
    }

    /** Id of a box by the name of its job and its label. */
    default String demoBox(String job, String label) {
        for (JsonNode box : ask("GET", "/api/v1/jobs/" + demoJob(job), null).get("boxes")) {
            if (box.get("label").asString().equals(label)) {
                return box.get("id").asString();
            }
        }
        throw new AssertionError("No box " + label);
    }
}
