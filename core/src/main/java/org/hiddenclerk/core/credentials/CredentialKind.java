package org.hiddenclerk.core.credentials;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Kinds of credentials that can be kept, each with its check. */
public enum CredentialKind {
    ZIGBEE_INSTALL_CODE("Zigbee install code") {
        @Override
        public Checked<Read> read(String typed) {
            return InstallCode.read(typed)
                    .map(code -> new Read(
                            code.code(),
                            List.of(new Fact("bytes", String.valueOf(code.code().length() / 2 - 2)))));
        }
    },
    ZWAVE_KEY("Z-Wave DSK") {
        @Override
        public Checked<Read> read(String typed) {
            return ZWaveKey.read(typed).map(key -> new Read(key.text(), List.of()));
        }
    },
    ZWAVE_START_CODE("Z-Wave start code") {
        @Override
        public Checked<Read> read(String typed) {
            return StartCode.read(typed)
                    .map(code -> new Read(
                            typed.replaceAll("[\\s-]", ""),
                            List.of(
                                    new Fact("joins", code.version() == 1 ? "by itself, from a list" : "by hand only"),
                                    new Fact(
                                            "manufacturer",
                                            String.valueOf(code.product().manufacturer())))));
        }
    },
    MATTER_MANUAL_CODE("Matter manual code") {
        @Override
        public Checked<Read> read(String typed) {
            return MatterManualCode.read(typed).map(code -> {
                List<Fact> facts = new ArrayList<>(
                        List.of(new Fact("short discriminator", String.valueOf(code.shortDiscriminator()))));
                code.product()
                        .ifPresent(p ->
                                facts.add(new Fact("vendor and product", hex(p.vendor()) + ", " + hex(p.product()))));
                return new Read(code.code(), facts);
            });
        }
    },
    MATTER_SQUARE_CODE("Matter square code") {
        @Override
        public Checked<Read> read(String typed) {
            return MatterQrCode.read(typed)
                    .map(code -> new Read(
                            typed.strip(),
                            List.of(
                                    new Fact("vendor and product", hex(code.vendor()) + ", " + hex(code.product())),
                                    new Fact("discriminator", String.valueOf(code.discriminator())))));
        }
    },
    WIFI("Wi-Fi network") {
        @Override
        public Checked<Read> read(String typed) {
            return WifiNetwork.read(typed)
                    .map(network -> new Read(
                            network.text(),
                            List.of(
                                    new Fact("network", network.ssid()),
                                    new Fact(
                                            "protection",
                                            network.security() == WifiNetwork.Security.NONE
                                                    ? "none"
                                                    : network.security().name()))));
        }
    };

    private final String label;

    CredentialKind(String label) {
        this.label = label;
    }

    /** Something that a credential says and that is no secret. */
    public record Fact(String what, String value) {}

    /**
     * A credential as it is kept.
     *
     * @param text  without layout; a secret
     * @param facts what may be shown of it
     */
    public record Read(String text, List<Fact> facts) {
        public Read {
            facts = List.copyOf(facts);
        }

        /** Its last characters, so that people can tell two apart. */
        public String masked() {
            int shown = text.length() < 20 ? 2 : 4;
            return "•••• " + text.substring(text.length() - shown);
        }

        @Override
        public String toString() {
            return "a credential, " + masked();
        }
    }

    public String label() {
        return label;
    }

    /** Checks a typed or scanned text. */
    public abstract Checked<Read> read(String typed);

    private static String hex(int number) {
        return String.format(Locale.ROOT, "0x%04X", number);
    }
}
