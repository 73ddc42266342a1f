package org.hiddenclerk.app.stage.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.Arrays;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.core.naming.Convention;

/** How the devices of a job are named. */
@Entity
@Table(name = "naming")
class NamingRow {
    @Id
    private UUID jobId;

    @Version
    private long version;

    private String tokens;

    protected NamingRow() {}

    NamingRow(UUID jobId) {
        this.jobId = jobId;
    }

    Convention convention() {
        return new Convention(
                Arrays.stream(tokens.split(" ")).map(Convention.Token::valueOf).toList());
    }

    void follows(Convention convention) {
        tokens = convention.tokens().stream().map(Enum::name).collect(Collectors.joining(" "));
    }
}
