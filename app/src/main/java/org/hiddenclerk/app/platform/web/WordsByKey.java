package org.hiddenclerk.app.platform.web;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Words by key, in one column, as JSON. */
@Converter
public class WordsByKey implements AttributeConverter<Map<String, String>, String> {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final TypeReference<TreeMap<String, String>> WORDS = new TypeReference<>() {};

    @Override
    public @Nullable String convertToDatabaseColumn(@Nullable Map<String, String> words) {
        return words == null ? null : JSON.writeValueAsString(new TreeMap<>(words));
    }

    @Override
    public @Nullable Map<String, String> convertToEntityAttribute(@Nullable String json) {
        return json == null ? null : JSON.readValue(json, WORDS);
    }
}
