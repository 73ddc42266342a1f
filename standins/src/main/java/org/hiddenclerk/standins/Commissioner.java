package org.hiddenclerk.standins;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.credentials.MatterManualCode;
import org.hiddenclerk.core.credentials.MatterQrCode;

/**
 * Lets Matter devices in by sessions: a code says which devices to look for, by their discriminator, and the passcode that the right
 * one of them proves to know. What is exchanged between the two is kept off: a device knows its passcode or it does not.
 */
final class Commissioner {
    /** After so many sessions that failed a device looks for no more (Matter Core Specification, 5.5, from memory). */
    static final int MOST_TRIES = 20;

    private static final int LOW_BITS = 8;

    private final Map<String, Session> sessions = new LinkedHashMap<>();

    /** What a device announces, and what it proves; the low bits of a discriminator are missing where only the short one is printed. */
    private record Secret(int shortDiscriminator, Optional<Integer> discriminator, int passcode) {
        static Optional<Secret> of(String code) {
            return MatterQrCode.read(code)
                    .value()
                    .map(square -> new Secret(
                            square.discriminator() >> LOW_BITS, Optional.of(square.discriminator()), square.passcode()))
                    .or(() -> MatterManualCode.read(code)
                            .value()
                            .map(manual ->
                                    new Secret(manual.shortDiscriminator(), Optional.empty(), manual.passcode())));
        }

        boolean isAnnouncedBy(Secret device) {
            return shortDiscriminator == device.shortDiscriminator
                    && (discriminator.isEmpty()
                            || device.discriminator.isEmpty()
                            || discriminator.equals(device.discriminator));
        }

        String announced() {
            return discriminator.map(d -> "discriminator " + d).orElse("short discriminator " + shortDiscriminator);
        }
    }

    /** One code, and the devices that were found by it and did not know its passcode. */
    private static final class Session {
        private final Secret secret;
        private final Set<StandInModule> refused = new HashSet<>();
        private boolean proved;

        Session(Secret secret) {
            this.secret = secret;
        }
    }

    /** Begins a session; empty for what is no code of a Matter device. */
    boolean begins(String code) {
        Optional<Secret> secret = Secret.of(code);
        secret.ifPresent(s -> sessions.putIfAbsent(code, new Session(s)));
        return secret.isPresent();
    }

    /** Whether a device that searches proves the passcode of a session; each session tries it once. */
    boolean admits(StandInModule device) {
        Optional<Secret> own = Secret.of(device.spec().code());
        if (own.isEmpty()) {
            return false;
        }
        int passcode = own.get().passcode() + (device.has(Fault.OTHER_CODE) ? 1 : 0);
        for (Session session : sessions.values()) {
            if (!session.proved && session.secret.isAnnouncedBy(own.get()) && !session.refused.contains(device)) {
                if (session.secret.passcode() == passcode) {
                    session.proved = true;
                    return true;
                }
                session.refused.add(device);
                device.refusesPasscode(MOST_TRIES);
                if (device.searchingSince().isEmpty()) {
                    return false;
                }
            }
        }
        return false;
    }

    /** Ends all sessions; for each that let nobody in the reason, by its code. */
    Map<String, String> ends() {
        Map<String, String> reasons = new LinkedHashMap<>();
        sessions.forEach((code, session) -> {
            if (!session.proved) {
                reasons.put(
                        code,
                        session.refused.isEmpty()
                                ? "nobody with " + session.secret.announced() + " was found"
                                : session.refused.size() + " with " + session.secret.announced()
                                        + " found, and the passcode was not theirs");
            }
        });
        sessions.clear();
        return reasons;
    }
}
