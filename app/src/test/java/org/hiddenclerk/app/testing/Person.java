package org.hiddenclerk.app.testing;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The demo owner at work through the API. */
public final class Person implements Asker {
    private final MockMvc mvc;
    private final String name;
    private final String role;
    private final Map<String, String> headers;
    private final JsonMapper json = JsonMapper.builder().build();

    /** Somebody who may only fit. */
    public static Person fitter(MockMvc mvc) {
        return new Person(mvc, "FITTER");
    }

    /** Somebody else. */
    public static Person named(MockMvc mvc, String name) {
        return new Person(mvc, name, "OWNER");
    }

    public Person(MockMvc mvc) {
        this(mvc, "OWNER");
    }

    private Person(MockMvc mvc, String role) {
        this(mvc, "tarrow", role);
    }

    private Person(MockMvc mvc, String name, String role) {
        this(mvc, name, role, Map.of());
    }

    private Person(MockMvc mvc, String name, String role, Map<String, String> headers) {
        this.headers = headers;
        this.mvc = mvc;
        this.name = name;
        this.role = role;
    }

    /** Somebody who means to open work again that was issued. */
    public Person openingAgain() {
        return new Person(mvc, name, role, Map.of("Opens-Again", "yes"));
    }

    /** Status and body of an answer. */
    public record Answer(int status, JsonNode body) {
        public JsonNode ok() {
            if (status >= 300) {
                throw new AssertionError("Answered " + status + ": " + body);
            }
            return body;
        }

        /** Pointer of the first error of a problem. */
        public String pointer() {
            return body.path("errors").path(0).path("pointer").asString("");
        }
    }

    public Answer get(String path) {
        return ask(HttpMethod.GET, path, null);
    }

    public Answer post(String path, Object body) {
        return ask(HttpMethod.POST, path, body);
    }

    public Answer put(String path, Object body) {
        return ask(HttpMethod.PUT, path, body);
    }

    public Answer delete(String path) {
        return ask(HttpMethod.DELETE, path, null);
    }

    @Override
    public JsonNode ask(String method, String path, @Nullable Object body) {
        return ask(HttpMethod.valueOf(method), path, body).ok();
    }

    private Answer ask(HttpMethod method, String path, @Nullable Object body) {
        try {
            MockHttpServletRequestBuilder request = MockMvcRequestBuilders.request(method, path)
                    .with(user(name).roles(role))
                    .with(csrf());
            headers.forEach(request::header);
            if (body instanceof byte[] picture) {
                request.contentType(MediaType.IMAGE_JPEG).content(picture);
            } else if (body != null) {
                request.contentType(MediaType.APPLICATION_JSON)
                        .content(body instanceof String text ? text : json.writeValueAsString(body));
            }
            MockHttpServletResponse response = mvc.perform(request).andReturn().getResponse();
            String text = response.getContentAsString(java.nio.charset.StandardCharsets.UTF_8);
            return new Answer(response.getStatus(), text.isEmpty() ? json.nullNode() : json.readTree(text));
        } catch (Exception e) {
            throw new AssertionError(method + " " + path, e);
        }
    }
}
