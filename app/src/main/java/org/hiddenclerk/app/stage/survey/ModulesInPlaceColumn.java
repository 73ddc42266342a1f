package org.hiddenclerk.app.stage.survey;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Modules that were found in a box, kept with its row: most boxes have none, and none of them is asked for by itself. */
@Converter
class ModulesInPlaceColumn implements AttributeConverter<List<SurveyDocument.ModuleEntry>, String> {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final TypeReference<List<SurveyDocument.ModuleEntry>> ENTRIES = new TypeReference<>() {};

    @Override
    public @Nullable String convertToDatabaseColumn(@Nullable List<SurveyDocument.ModuleEntry> entries) {
        return entries == null || entries.isEmpty() ? null : JSON.writeValueAsString(entries);
    }

    @Override
    public List<SurveyDocument.ModuleEntry> convertToEntityAttribute(@Nullable String column) {
        return column == null ? List.of() : JSON.readValue(column, ENTRIES);
    }
}
