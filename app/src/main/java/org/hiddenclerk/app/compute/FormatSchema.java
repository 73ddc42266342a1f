package org.hiddenclerk.app.compute;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import tools.jackson.databind.JsonNode;

/** A published format, as its JSON Schema describes it. */
final class FormatSchema {
    private static final int PROBLEMS_SHOWN = 20;
    private static final int FOUND_SHOWN = 80;

    private final Schema schema;

    /** @param name file name below {@code formats/}, without its ending */
    FormatSchema(String name) {
        try (InputStream source = FormatSchema.class.getResourceAsStream("/formats/" + name + ".schema.json")) {
            if (source == null) {
                throw new IllegalStateException("Impossible state: the schema of " + name + " is not shipped.");
            }
            schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(source);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What contradicts the schema, at most {@value #PROBLEMS_SHOWN} places. */
    List<FieldProblem> problemsOf(JsonNode document) {
        List<FieldProblem> problems = new ArrayList<>();
        for (Error error : schema.validate(document)) {
            if (problems.size() == PROBLEMS_SHOWN) {
                break;
            }
            String pointer = error.getInstanceLocation().toString();
            String property = error.getProperty();
            boolean additional = "additionalProperties".equals(error.getKeyword()) && property != null;
            problems.add(new FieldProblem(
                    additional ? pointer + "/" + property : pointer,
                    additional ? "unknown field " + property : found(error),
                    error.getMessage()));
        }
        return problems;
    }

    private static String found(Error error) {
        String text = String.valueOf(error.getInstanceNode());
        return text.length() > FOUND_SHOWN ? text.substring(0, FOUND_SHOWN) + "…" : text;
    }
}
