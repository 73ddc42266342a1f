package org.hiddenclerk.app.stage.joining;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.hiddenclerk.app.platform.web.WordsByKey;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.joining.Member;
import org.jspecify.annotations.Nullable;

/** A device in a network of a job. */
@Entity
@Table(name = "joined_device")
class JoinedDeviceRow {
    @Id
    private UUID id;

    @Version
    private long version;

    private UUID jobId;

    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.VARCHAR)
    private Protocol protocol;

    private String address;
    private String kind;
    private String name;
    private String firmware;
    private int hops;
    private boolean passesOn;
    private @Nullable Integer linkOpen;
    private @Nullable Integer linkClosed;
    private @Nullable UUID unitId;

    @Convert(converter = WordsByKey.class)
    @Column(columnDefinition = "LONGTEXT")
    private @Nullable Map<String, String> settings;

    private boolean silent;
    private String channelsOn = "";
    private @Nullable Instant flippedAt;
    private String flippedInputs = "";
    private Instant cameInAt;

    protected JoinedDeviceRow() {}

    JoinedDeviceRow(UUID jobId, Protocol protocol, Member member, Instant cameInAt) {
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        this.protocol = protocol;
        this.cameInAt = cameInAt;
        says(member);
    }

    final void says(Member member) {
        address = member.address();
        kind = member.kind();
        name = member.name();
        firmware = member.version();
        hops = member.hops();
        passesOn = member.passesOn();
        silent = false;
    }

    UUID id() {
        return id;
    }

    UUID jobId() {
        return jobId;
    }

    Protocol protocol() {
        return protocol;
    }

    String address() {
        return address;
    }

    String kind() {
        return kind;
    }

    String name() {
        return name;
    }

    String firmware() {
        return firmware;
    }

    int hops() {
        return hops;
    }

    boolean passesOn() {
        return passesOn;
    }

    Optional<Integer> linkOpen() {
        return Optional.ofNullable(linkOpen);
    }

    Optional<Integer> linkClosed() {
        return Optional.ofNullable(linkClosed);
    }

    Optional<UUID> unit() {
        return Optional.ofNullable(unitId);
    }

    Optional<Map<String, String>> settings() {
        return Optional.ofNullable(settings);
    }

    boolean isSilent() {
        return silent;
    }

    Optional<Instant> flippedAt() {
        return Optional.ofNullable(flippedAt);
    }

    Instant cameInAt() {
        return cameInAt;
    }

    void isOf(@Nullable UUID unit) {
        unitId = unit;
    }

    void isCalled(String now) {
        name = now;
    }

    void reads(Map<String, String> now) {
        settings = now;
    }

    void isHeard(int figure, boolean closed) {
        if (closed) {
            linkClosed = figure;
        } else {
            linkOpen = figure;
        }
    }

    /** Whether any of its channels is on, as it last told. */
    boolean isInUse() {
        return !channelsOn.isEmpty();
    }

    /** Channels that are on, as it last told. */
    Set<Integer> channelsOn() {
        return numbers(channelsOn);
    }

    /** Inputs at which somebody moved a wall switch since it came in. */
    Set<Integer> flippedInputs() {
        return numbers(flippedInputs);
    }

    private static Set<Integer> numbers(String text) {
        return Arrays.stream(text.split(","))
                .filter(number -> !number.isEmpty())
                .map(Integer::valueOf)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static String text(Set<Integer> numbers) {
        return numbers.stream().map(String::valueOf).collect(Collectors.joining(","));
    }

    void turned(int channel, boolean on) {
        Set<Integer> now = channelsOn();
        if (on) {
            now.add(channel);
        } else {
            now.remove(channel);
        }
        channelsOn = text(now);
    }

    /** It started anew, with everything off. */
    void startedAnew() {
        channelsOn = "";
    }

    void isSilent(boolean now) {
        silent = now;
    }

    void wasFlipped(Instant when, int input) {
        flippedAt = when;
        Set<Integer> now = flippedInputs();
        now.add(input);
        flippedInputs = text(now);
    }

    void flipsAreForgotten() {
        flippedAt = null;
        flippedInputs = "";
    }

    void movedTo(String newAddress) {
        address = newAddress;
    }
}
