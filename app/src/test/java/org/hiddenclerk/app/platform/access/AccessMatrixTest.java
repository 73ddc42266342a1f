package org.hiddenclerk.app.platform.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.springframework.web.servlet.HandlerExecutionChain;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.springframework.web.util.ServletRequestPathUtils;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Every endpoint of the API document, tried as everybody: what is allowed and what is refused stands in a table of its own. */
@WithDatabase
class AccessMatrixTest {
    private static final Set<String> LEADS = Set.of("owner", "lead");
    private static final Set<String> PEOPLE = Set.of("owner", "lead", "fitter of the job", "fitter of another");
    /** Who may, by the words of the table; tokens of the owner by their scopes come to it below. */
    private static final Map<String, Set<String>> MAY = Map.of(
            "OPEN",
            everybody(),
            "OWN",
            PEOPLE,
            "FACTS",
            PEOPLE,
            "LISTS",
            PEOPLE,
            "WORK",
            Set.of("owner", "lead", "fitter of the job"),
            "VISIT",
            Set.of("owner", "lead", "fitter of the job", "guest of the job"),
            "LEAD",
            LEADS,
            "CODES",
            LEADS,
            "OWNER",
            Set.of("owner"));

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate database;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mapping;

    private final Map<String, Authentication> callers = new LinkedHashMap<>();
    private final Map<String, String> ids = new LinkedHashMap<>();

    /** A line of the table. */
    private record Endpoint(String right, HttpMethod method, String path) {
        @Override
        public String toString() {
            return method + " " + path;
        }
    }

    private static Set<String> everybody() {
        return Set.of(
                "owner",
                "lead",
                "fitter of the job",
                "fitter of another",
                "guest of the job",
                "guest of another",
                "guest whose link ran out",
                "guest whose link was taken away");
    }

    private static List<Endpoint> table() throws IOException {
        return new ClassPathResource("access-matrix.txt")
                .getContentAsString(StandardCharsets.UTF_8)
                .lines()
                .filter(line -> !line.startsWith("#"))
                .map(line -> line.split(" "))
                .map(parts -> new Endpoint(parts[0], HttpMethod.valueOf(parts[1]), parts[2]))
                .toList();
    }

    @BeforeEach
    void people() {
        SmallHouse house = new SmallHouse(new Person(mvc));
        SmallHouse other = new SmallHouse(new Person(mvc));
        ids.put("job", house.job());
        ids.put("box", house.box("A"));
        ids.put("room", database.queryForObject("SELECT room_id FROM box WHERE id = ?", String.class, ids.get("box")));
        ids.put(
                "circuit",
                database.queryForObject("SELECT id FROM circuit WHERE job_id = ?", String.class, house.job()));
        // Rows that lead to the job and nothing more: what the endpoints do with them is not tried here.
        ids.put("unit", bare("bench_unit", "job_id", ids.get("job")));
        ids.put("device", bare("joined_device", "job_id", ids.get("job")));
        ids.put("choice", bare("house_choice", "job_id", ids.get("job")));
        ids.put("rollout", bare("rollout", "job_id", ids.get("job")));
        ids.put("photo", bare("box_photo", "box_id", ids.get("box")));
        ids.put("found", bare("found_otherwise", "box_id", ids.get("box")));
        ids.put("credential", bare("credential", "unit_id", ids.get("unit")));
        callers.put("owner", person("tarrow", Role.OWNER));
        callers.put("lead", person("matrix-lead", Role.LEAD));
        callers.put("fitter of the job", fitter("matrix-near", house.job()));
        callers.put("fitter of another", fitter("matrix-far", other.job()));
        callers.put("guest of the job", guest(house.job(), "UTC_TIMESTAMP(6) + INTERVAL 1 DAY", "NULL"));
        callers.put("guest of another", guest(other.job(), "UTC_TIMESTAMP(6) + INTERVAL 1 DAY", "NULL"));
        callers.put("guest whose link ran out", guest(house.job(), "UTC_TIMESTAMP(6) - INTERVAL 1 SECOND", "NULL"));
        callers.put(
                "guest whose link was taken away",
                guest(house.job(), "UTC_TIMESTAMP(6) + INTERVAL 1 DAY", "UTC_TIMESTAMP(6)"));
    }

    @AfterEach
    void forget() {
        for (String table : List.of(
                "credential",
                "bench_unit",
                "joined_device",
                "house_choice",
                "rollout",
                "box_photo",
                "found_otherwise")) {
            database.update("DELETE FROM " + table + " WHERE id IN ("
                    + ids.values().stream().map(id -> "'" + id + "'").collect(Collectors.joining(",")) + ")");
        }
        database.update("DELETE FROM assignment");
        database.update("DELETE FROM guest_link");
        database.update("DELETE FROM account WHERE name LIKE 'matrix-%'");
    }

    private static Authentication person(String name, Role role) {
        return UsernamePasswordAuthenticationToken.authenticated(name, null, Caller.authorities(role));
    }

    private Authentication fitter(String name, String job) {
        String id = UUID.randomUUID().toString();
        database.update(
                "INSERT INTO account (id, name, display_name, password_hash, role, created_at) "
                        + "VALUES (?, ?, ?, 'none', 'FITTER', UTC_TIMESTAMP(6))",
                id,
                name,
                name);
        database.update("INSERT INTO assignment (job_id, account_id) VALUES (?, ?)", job, id);
        return person(name, Role.FITTER);
    }

    private Authentication guest(String job, String expires, String revoked) {
        UUID id = UUID.randomUUID();
        database.update(
                "INSERT INTO guest_link (id, job_id, hash, label, made_by, created_at, "
                        + "expires_at, revoked_at) VALUES (?, ?, ?, 'x', 'x', UTC_TIMESTAMP(6), " + expires + ", "
                        + revoked + ")",
                id.toString(),
                job,
                id.toString().repeat(2).substring(0, 64));
        return person(Caller.guestName(id), Role.GUEST);
    }

    /** A row with anything in what must not be empty. */
    private String bare(String table, String owner, String ownerId) {
        String id = UUID.randomUUID().toString();
        Map<String, String> values = new LinkedHashMap<>(Map.of("id", "'" + id + "'", owner, "'" + ownerId + "'"));
        database.queryForList(
                        "SELECT column_name AS name, data_type AS type, character_maximum_length AS "
                                + "length FROM information_schema.columns WHERE table_schema = DATABASE() AND "
                                + "table_name = ?"
                                + " AND is_nullable = 'NO' AND column_default IS NULL AND extra NOT LIKE '%auto_increment%'",
                        table)
                .forEach(column -> values.putIfAbsent(
                        (String) column.get("name"), any((String) column.get("type"), column.get("length"))));
        database.execute((java.sql.Connection connection) -> {
            try (java.sql.Statement statement = connection.createStatement()) {
                statement.execute("SET FOREIGN_KEY_CHECKS = 0");
                statement.execute("INSERT INTO " + table + " (`" + String.join("`, `", values.keySet()) + "`) VALUES ("
                        + String.join(", ", values.values()) + ")");
                statement.execute("SET FOREIGN_KEY_CHECKS = 1");
            }
            return null;
        });
        return id;
    }

    private static String any(String type, Object length) {
        return switch (type) {
            case "uuid" -> "'" + UUID.randomUUID() + "'";
            case "datetime" -> "UTC_TIMESTAMP(6)";
            case "date" -> "UTC_DATE()";
            case "longtext" -> "'{}'";
            case "varchar", "char" ->
                "LEFT('" + UUID.randomUUID() + "', " + Math.min(36, ((Number) length).intValue()) + ")";
            case "binary" -> "UNHEX(REPEAT('ab', " + length + "))";
            case "varbinary", "longblob", "mediumblob" -> "UNHEX('ab')";
            default -> "0";
        };
    }

    @Test
    void theTableHasEveryEndpointOfTheDocumentAndNoOther() throws Exception {
        JsonNode paths = new JsonMapper()
                .readTree(mvc.perform(
                                MockMvcRequestBuilders.get("/api/openapi").with(authentication(callers.get("owner"))))
                        .andReturn()
                        .getResponse()
                        .getContentAsString())
                .get("paths");
        Set<String> served = new TreeSet<>();
        paths.propertyNames().forEach(path -> paths.get(path)
                .propertyNames()
                .forEach(method -> served.add(method.toUpperCase(java.util.Locale.ROOT) + " " + path)));
        Set<String> told = table().stream().map(Endpoint::toString).collect(Collectors.toSet());
        assertThat(told).containsExactlyInAnyOrderElementsOf(served);
        assertThat(table()).hasSize(served.size());
    }

    @Test
    void whoMustNotIsRefusedByTheWholeChain() throws Exception {
        List<String> wrong = new ArrayList<>();
        for (Endpoint endpoint : table()) {
            for (Map.Entry<String, Authentication> caller : callers.entrySet()) {
                if (!MAY.get(endpoint.right()).contains(caller.getKey())) {
                    int status = status(endpoint, Optional.of(caller.getValue()));
                    if (status != 403) {
                        wrong.add(caller.getKey() + ": " + endpoint + " answers " + status);
                    }
                }
            }
            int status = status(endpoint, Optional.empty());
            if (endpoint.right().equals("OPEN") ? Set.of(401, 403).contains(status) : status != 401) {
                wrong.add("nobody: " + endpoint + " answers " + status);
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void whoMayIsLetThroughToTheEndpoint() throws Exception {
        List<String> wrong = new ArrayList<>();
        for (Endpoint endpoint : table()) {
            for (Map.Entry<String, Authentication> caller : callers.entrySet()) {
                if (MAY.get(endpoint.right()).contains(caller.getKey())) {
                    refusal(endpoint, caller.getValue())
                            .ifPresent(why -> wrong.add(caller.getKey() + ": " + endpoint + ": " + why));
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void aTokenReachesAsFarAsItsScopesAndNeverToPeopleOrItsOwnAccount() throws Exception {
        Map<Scope, Set<String>> reading = new EnumMap<>(Map.of(
                Scope.READ,
                Set.of("FACTS", "LISTS", "WORK", "VISIT", "LEAD"),
                Scope.WORK,
                Set.of(),
                Scope.FIRM,
                Set.of(),
                Scope.CODES,
                Set.of("CODES")));
        Map<Scope, Set<String>> changing = new EnumMap<>(Map.of(
                Scope.READ,
                Set.of("FACTS", "LISTS"),
                Scope.WORK,
                Set.of("WORK"),
                Scope.FIRM,
                Set.of("LEAD"),
                Scope.CODES,
                Set.of("CODES")));
        List<String> wrong = new ArrayList<>();
        for (Endpoint endpoint : table()) {
            for (Scope scope : Scope.values()) {
                boolean may = endpoint.right().equals("OPEN")
                        || (endpoint.method() == HttpMethod.GET ? reading : changing)
                                .get(scope)
                                .contains(endpoint.right());
                Optional<String> refusal = refusal(endpoint, Caller.byToken("tarrow", Role.OWNER, EnumSet.of(scope)));
                if (refusal.isEmpty() != may) {
                    wrong.add(scope + ": " + endpoint + (may ? " is refused" : " is let through"));
                }
            }
            if (!Set.of("OPEN", "FACTS", "LISTS").contains(endpoint.right())
                    && refusal(endpoint, Caller.byToken("matrix-far", Role.FITTER, EnumSet.allOf(Scope.class)))
                            .isEmpty()) {
                wrong.add("token of a fitter of another job: " + endpoint);
            }
        }
        assertThat(wrong).isEmpty();
    }

    private URI uri(Endpoint endpoint) {
        String path = endpoint.path();
        for (Map.Entry<String, String> id : ids.entrySet()) {
            path = path.replace("{" + id.getKey() + "}", id.getValue());
        }
        return URI.create(path.replaceAll("\\{\\w+}", "7b8e8a52-7a0f-4a53-9d4f-0b7a7e6d5c11"));
    }

    private int status(Endpoint endpoint, Optional<Authentication> caller) throws Exception {
        var request = MockMvcRequestBuilders.request(endpoint.method(), uri(endpoint))
                .with(csrf())
                .contentType(endpoint.path().endsWith("/photos") ? MediaType.IMAGE_JPEG : MediaType.APPLICATION_JSON)
                .content("{}");
        if (caller.isPresent()) {
            request.with(authentication(caller.get()));
        }
        MockHttpServletResponse response = mvc.perform(request).andReturn().getResponse();
        return response.getStatus();
    }

    /** What the access rules say before the endpoint itself would run; nothing where it may run. */
    private Optional<String> refusal(Endpoint endpoint, Authentication caller) throws Exception {
        for (MediaType type : List.of(MediaType.APPLICATION_JSON, MediaType.IMAGE_JPEG)) {
            MockHttpServletRequest request = new MockHttpServletRequest(
                    endpoint.method().name(), uri(endpoint).toString());
            request.setUserPrincipal(caller);
            request.setContentType(type.toString());
            ServletRequestPathUtils.parseAndCache(request);
            HandlerExecutionChain chain;
            try {
                chain = mapping.getHandler(request);
            } catch (org.springframework.web.HttpMediaTypeNotSupportedException e) {
                continue;
            }
            assertThat(chain).as(endpoint.toString()).isNotNull();
            try {
                for (HandlerInterceptor interceptor : chain.getInterceptorList()) {
                    interceptor.preHandle(request, new MockHttpServletResponse(), chain.getHandler());
                }
                return Optional.empty();
            } catch (ProblemException refused) {
                return Optional.of(refused.getMessage());
            }
        }
        throw new AssertionError(endpoint + " takes no body that is tried here");
    }
}
