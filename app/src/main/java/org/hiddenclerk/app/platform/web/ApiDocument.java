package org.hiddenclerk.app.platform.web;

import com.fasterxml.jackson.databind.JavaType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The OpenAPI document: what is not marked {@link MayBeAbsent} is required. */
@Configuration
class ApiDocument {
    private static final String ABSENT = "x-may-be-absent";

    @Bean
    OpenAPI hiddenClerkApi() {
        return new OpenAPI()
                .info(new Info()
                        .title("Hidden Clerk")
                        .version("1")
                        .description("Survey, match, draw and fit relay modules behind wall switches."));
    }

    /**
     * Two records of one simple name would become one in the document, and one of the two would be told wrongly:
     * then there is no document.
     */
    @Bean
    ModelConverter oneRecordForEachName() {
        Map<String, Class<?>> known = new ConcurrentHashMap<>();
        return (type, context, chain) -> {
            JavaType read = type.getType() == null ? null : Json.mapper().constructType(type.getType());
            if (read != null && read.getRawClass().isRecord()) {
                Class<?> other = known.putIfAbsent(read.getRawClass().getSimpleName(), read.getRawClass());
                if (other != null && other != read.getRawClass()) {
                    throw new IllegalStateException("Two records are one in the API document: " + other.getName()
                            + " and " + read.getRawClass().getName() + ". Rename one.");
                }
            }
            return chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
        };
    }

    @Bean
    PropertyCustomizer markAbsent() {
        return (schema, type) -> {
            if (type.getCtxAnnotations() != null) {
                for (var annotation : type.getCtxAnnotations()) {
                    if (annotation instanceof MayBeAbsent) {
                        schema.addExtension(ABSENT, true);
                    }
                }
            }
            return schema;
        };
    }

    @Bean
    OpenApiCustomizer requireTheRest() {
        return document -> {
            if (document.getComponents() != null && document.getComponents().getSchemas() != null) {
                document.getComponents().getSchemas().values().forEach(ApiDocument::require);
            }
        };
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void require(Schema schema) {
        Map<String, Schema> properties = schema.getProperties();
        if (properties == null) {
            return;
        }
        List<String> required = new ArrayList<>();
        properties.forEach((name, property) -> {
            boolean absent =
                    property.getExtensions() != null && property.getExtensions().containsKey(ABSENT);
            if (absent) {
                property.getExtensions().remove(ABSENT);
                if (property.getTypes() != null) {
                    Set<String> types = new LinkedHashSet<>(property.getTypes());
                    types.add("null");
                    property.setTypes(types);
                }
            } else {
                required.add(name);
            }
        });
        schema.setRequired(required.isEmpty() ? null : required);
    }
}
