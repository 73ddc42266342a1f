package org.hiddenclerk.app.platform.operations;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.lang.management.ManagementFactory;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.nodes.Node;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.boot.info.BuildProperties;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Which clerk this is. */
@RestController
@Needs(Right.FACTS)
@RequestMapping("/api/v1/about")
@Tag(name = "operations")
class AboutController {
    private final Optional<BuildProperties> build;
    private final Node node;
    private final JdbcClient jdbc;

    AboutController(ObjectProvider<BuildProperties> build, Node node, JdbcClient jdbc) {
        this.build = Optional.ofNullable(build.getIfAvailable());
        this.node = node;
        this.jdbc = jdbc;
    }

    /**
     * @param commit of the sources; absent where it was built without them
     * @param schema version of the database's tables
     * @param node   which of several answers
     */
    record AboutView(
            String version,
            @MayBeAbsent String commit,
            @MayBeAbsent Instant builtAt,
            String java,
            String database,
            String schema,
            String node,
            long upSeconds) {}

    @GetMapping
    @Operation(operationId = "about", summary = "Version, database and node that answers")
    AboutView about() {
        String schema = jdbc.sql(
                        "SELECT version FROM flyway_schema_history WHERE success = 1 ORDER BY installed_rank DESC LIMIT 1")
                .query(String.class)
                .single();
        return new AboutView(
                build.map(BuildProperties::getVersion).orElse("development"),
                build.map(b -> b.get("commit"))
                        .filter(c -> !c.equals("unknown"))
                        .orElse(null),
                build.map(BuildProperties::getTime).orElse(null),
                Runtime.version().toString(),
                jdbc.sql("SELECT VERSION()").query(String.class).single(),
                schema,
                node.name(),
                Duration.ofMillis(ManagementFactory.getRuntimeMXBean().getUptime())
                        .toSeconds());
    }
}
