package org.hiddenclerk.app.house;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hiddenclerk.core.job.RegionProfile;

/** One house. */
@Entity
@Table(name = "job")
public class JobRow {
    @Id
    private UUID id;
    @Version
    private long version;
    private String name;
    private String place;
    @Enumerated(EnumType.STRING)
    private RegionProfile region;
    private Instant createdAt;

    protected JobRow() {
    }

    public JobRow(String name, String place, RegionProfile region, Instant createdAt) {
        this.id = UUID.randomUUID();
        this.name = name;
        this.place = place;
        this.region = region;
        this.createdAt = createdAt;
    }

    public UUID id() {
        return id;
    }

    public String name() {
        return name;
    }

    public String place() {
        return place;
    }

    public RegionProfile region() {
        return region;
    }

    public Instant createdAt() {
        return createdAt;
    }
}
