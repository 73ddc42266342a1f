package org.hiddenclerk.standins;

import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.joining.Member;

/** One simulated module: what it is, and what it knows of itself. */
final class StandInModule {
    private static final int WEAKER = 120;
    private static final int WEAKER_DBM = 35;
    private static final int COVER_LQI = 25;
    private static final int COVER_DBM = 6;

    private final Spec spec;
    private final Set<Fault> faults;
    private final Map<String, String> settings = new TreeMap<>(Map.of("power-on", "off"));
    private final boolean[] on;
    private String address;
    private String name;
    private String version;
    private String sha256;
    private OptionalLong searchingSince = OptionalLong.empty();
    private int refusals;
    private boolean joined;
    private int hops;
    private boolean covered;
    private Optional<Transfer> transfer = Optional.empty();

    /**
     * What is built into a module.
     *
     * @param address  that it comes in under
     * @param passesOn whether others are reached through it
     * @param metres   from the gateway, walls counted in
     * @param code     that it joins by
     * @param version  of the firmware that it comes with
     */
    public record Spec(
            String serial,
            String address,
            Protocol protocol,
            String kind,
            int channels,
            boolean passesOn,
            double metres,
            String code,
            String version,
            Set<Fault> faults) {
        public Spec {
            faults = Set.copyOf(faults);
        }
    }

    /** A file on its way in. */
    record Transfer(String sha256, byte[] octets, int taken) {}

    StandInModule(Spec spec) {
        this.spec = spec;
        faults = spec.faults().isEmpty() ? EnumSet.noneOf(Fault.class) : EnumSet.copyOf(spec.faults());
        on = new boolean[spec.channels()];
        address = spec.address();
        name = has(Fault.NAMED_ALIKE) ? "new module" : "new " + spec.serial();
        version = spec.version();
        sha256 = Release.sumOf(FirmwareFile.of(spec.kind(), spec.version()));
    }

    Spec spec() {
        return spec;
    }

    boolean has(Fault fault) {
        return faults.contains(fault);
    }

    /** Whether it has a fault, which is mended by that. */
    boolean hadOnce(Fault fault) {
        return faults.remove(fault);
    }

    String address() {
        return address;
    }

    String name() {
        return name;
    }

    void isCalled(String now) {
        name = now;
    }

    boolean isJoined() {
        return joined;
    }

    int hops() {
        return hops;
    }

    OptionalLong searchingSince() {
        return searchingSince;
    }

    void searches(long since) {
        searchingSince = OptionalLong.of(since);
        refusals = 0;
    }

    /** Somebody tried a passcode that is not its own; after too many it searches no more. */
    void refusesPasscode(int most) {
        refusals++;
        if (refusals >= most) {
            searchingSince = OptionalLong.empty();
        }
    }

    void comesIn(int over) {
        joined = true;
        hops = over;
        searchingSince = OptionalLong.empty();
    }

    void isForgotten() {
        joined = false;
        transfer = Optional.empty();
    }

    void isCovered(boolean closed) {
        covered = closed;
    }

    Map<String, String> settings() {
        return Map.copyOf(settings);
    }

    void set(Map<String, String> values) {
        if (!has(Fault.FORGETFUL)) {
            settings.putAll(values);
        }
    }

    int channels() {
        return on.length;
    }

    boolean isOn(int channel) {
        return on[channel - 1];
    }

    void turn(int channel, boolean to) {
        on[channel - 1] = to;
    }

    Optional<Transfer> transfer() {
        return transfer;
    }

    void receives(Optional<Transfer> now) {
        transfer = now;
    }

    /** Starts with a file; some are another address afterwards. */
    void startsWith(String newVersion, byte[] file) {
        version = newVersion;
        sha256 = Release.sumOf(file);
        transfer = Optional.empty();
        java.util.Arrays.fill(on, false);
        if (hadOnce(Fault.MOVES)) {
            address = address + "'";
        }
    }

    /** The further away and the more in the way, the worse; a cover takes some of it. */
    int link(double metresToNext) {
        boolean lqi = spec.protocol().tellsLinkQuality();
        double figure = lqi
                ? 235 - 12 * metresToNext - (has(Fault.WEAK) ? WEAKER : 0) - (covered ? COVER_LQI : 0)
                : -42 - 2.2 * metresToNext - (has(Fault.WEAK) ? WEAKER_DBM : 0) - (covered ? COVER_DBM : 0);
        return (int) Math.round(lqi ? Math.max(0, figure) : Math.max(-100, figure));
    }

    Member member(double metresToNext) {
        return new Member(address, spec.kind(), name, version, sha256, link(metresToNext), hops, spec.passesOn());
    }
}
