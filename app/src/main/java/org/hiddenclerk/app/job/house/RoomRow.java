package org.hiddenclerk.app.job.house;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.UUID;

/** A room of a house. */
@Entity
@Table(name = "room")
public class RoomRow {
    @Id
    private UUID id;

    @Version
    private long version;

    private UUID jobId;
    private String name;
    private String storey;
    private int position;

    protected RoomRow() {}

    public RoomRow(UUID jobId, String name, String storey, int position) {
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        this.name = name;
        this.storey = storey;
        this.position = position;
    }

    public UUID id() {
        return id;
    }

    public long version() {
        return version;
    }

    public UUID jobId() {
        return jobId;
    }

    public String name() {
        return name;
    }

    public String storey() {
        return storey;
    }

    void isCalled(String newName) {
        name = newName;
    }

    void isOn(String newStorey) {
        storey = newStorey;
    }

    public int position() {
        return position;
    }
}
