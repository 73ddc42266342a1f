package org.hiddenclerk.app.stage.live;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Devices by the schema that goes with the W3C's Thing Description 1.1 (of 24 May 2023, as its package carries it). */
@WithDatabase
class ThingDescriptionsTest {
    private static final Path PUBLISHED =
            Path.of("../web/node_modules/wot-thing-description-types/schema/td-json-schema-validation.json");

    @Autowired
    private MockMvc mvc;

    @Test
    void everyDeviceOfTheDemoHouseIsValid() throws IOException {
        Schema schema =
                SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_7).getSchema(Files.readString(PUBLISHED));
        Person person = new Person(mvc);
        JsonNode things = person.get("/api/v1/jobs/" + person.demoJob() + "/things.td.json")
                .ok();
        assertThat(things).hasSizeGreaterThan(5);
        for (JsonNode thing : things) {
            ObjectNode known = thing.deepCopy().asObject();
            assertThat(schema.validate(known)).as(thing.get("title").asString()).isEmpty();
            known.remove("security");
            assertThat(schema.validate(known))
                    .as("the schema notices what is missing")
                    .isNotEmpty();
        }
        assertThat(things.findValues("id").stream().distinct().count()).isEqualTo(things.size());
        assertThat(things.toString()).contains("mqv:topic\":\"house/" + person.demoJob());
    }
}
