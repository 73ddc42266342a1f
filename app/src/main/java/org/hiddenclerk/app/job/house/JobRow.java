package org.hiddenclerk.app.job.house;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hiddenclerk.core.job.RegionProfile;
import org.jspecify.annotations.Nullable;

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
    private @Nullable Instant archivedAt;
    private @Nullable Instant peopleRemovedAt;
    private String contact = "";
    private @Nullable LocalDate visitOn;

    protected JobRow() {}

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

    public void isCalled(String newName, String newPlace) {
        name = newName;
        place = newPlace;
    }

    /** @param whom to call; empty when nobody is known */
    public void isVisited(String whom, @Nullable LocalDate next) {
        contact = whom;
        visitOn = next;
    }

    /** @param when null takes it up again */
    public void isArchived(@Nullable Instant when) {
        archivedAt = when;
    }

    public void peopleAreRemoved(Instant when) {
        peopleRemovedAt = when;
    }

    public boolean arePeopleRemoved() {
        return peopleRemovedAt != null;
    }
}
