package org.hiddenclerk.app.platform.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.TreeMap;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The committed API document is the one that is served. Rewrite it with {@code -Dopenapi.write=true}. */
@WithDatabase
class ApiDocumentTest {
    private static final Path COMMITTED = Path.of("openapi.json");

    @Autowired
    private MockMvc mvc;

    private final JsonMapper json = JsonMapper.builder()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();

    @Test
    void committedDocumentIsTheOneServed() throws Exception {
        byte[] served = mvc.perform(get("/api/openapi").with(user("tarrow").roles("OWNER")))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        ObjectNode document = (ObjectNode) json.readTree(served);
        document.remove("servers");
        String canonical = json.writeValueAsString(json.treeToValue(document, TreeMap.class)) + "\n";
        if (Boolean.getBoolean("openapi.write")) {
            Files.writeString(COMMITTED, canonical, StandardCharsets.UTF_8);
        }

        JsonNode committed = json.readTree(COMMITTED.toFile());
        assertThat(document.get("openapi").asString()).startsWith("3.1");
        assertThat(json.readTree(canonical)).isEqualTo(committed);
    }
}
