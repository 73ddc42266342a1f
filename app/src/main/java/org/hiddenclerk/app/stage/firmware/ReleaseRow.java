package org.hiddenclerk.app.stage.firmware;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Arrays;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Version;
import tools.jackson.databind.json.JsonMapper;

/** A file of firmware that was kept, with its sum. */
@Entity
@Table(name = "firmware_release")
class ReleaseRow {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Id
    private UUID id;

    private String kind;
    private String version;

    @Column(columnDefinition = "CHAR(64)")
    private String sha256;

    @Column(columnDefinition = "LONGTEXT")
    private String features;

    private String notes;

    @Column(columnDefinition = "MEDIUMBLOB")
    private byte[] file;

    private String keptBy;
    private Instant keptAt;

    protected ReleaseRow() {}

    ReleaseRow(Release release, byte[] file, String keptBy, Instant keptAt) {
        this.id = UUID.randomUUID();
        this.kind = release.kind();
        this.version = release.version().toString();
        this.sha256 = release.sha256();
        this.features = JSON.writeValueAsString(release.features());
        this.notes = release.notes();
        this.file = file.clone();
        this.keptBy = keptBy;
        this.keptAt = keptAt;
    }

    Release release() {
        return new Release(kind, Version.read(version).orElseThrow(), sha256, featuresOf(features), notes);
    }

    static Set<String> featuresOf(String json) {
        return Set.copyOf(Arrays.asList(JSON.readValue(json, String[].class)));
    }

    byte[] file() {
        return file.clone();
    }

    String keptBy() {
        return keptBy;
    }

    Instant keptAt() {
        return keptAt;
    }
}
