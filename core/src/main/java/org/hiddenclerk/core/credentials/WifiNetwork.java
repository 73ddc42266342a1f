package org.hiddenclerk.core.credentials;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import javax.crypto.SecretKeyFactory;
import javax.crypto.spec.PBEKeySpec;

/**
 * A Wi-Fi network as a module is told of it (IEEE 802.11).
 *
 * @param secret a passphrase of 8 to 63 characters, or the key itself as 64 hex digits; empty for an open network
 */
public record WifiNetwork(Security security, String ssid, String secret, boolean hidden) {
    private static final int SSID_OCTETS = 32;
    private static final int SHORTEST = 8;
    private static final int LONGEST = 63;
    private static final int KEY_DIGITS = 64;
    private static final int ITERATIONS = 4096;
    private static final int KEY_BITS = 256;
    private static final String ESCAPED = "\\;,\":";

    /** Kinds of protection, as the text of a square code names them. */
    public enum Security {
        WPA("WPA"),
        WEP("WEP"),
        NONE("nopass");

        private final String text;

        Security(String text) {
            this.text = text;
        }
    }

    /** A network with a passphrase or key, or an open one when the secret is empty. */
    public static Checked<WifiNetwork> of(String ssid, String secret, boolean hidden) {
        return of(secret.isEmpty() ? Security.NONE : Security.WPA, ssid, secret, hidden);
    }

    private static Checked<WifiNetwork> of(Security security, String ssid, String secret, boolean hidden) {
        int octets = ssid.getBytes(StandardCharsets.UTF_8).length;
        if (octets < 1 || octets > SSID_OCTETS) {
            return Checked.bad(
                    Violation.Rule.LENGTH,
                    octets + " octets of network name",
                    "1 to " + SSID_OCTETS + "; ü and others take two or more");
        }
        if (security == Security.WPA) {
            for (int i = 0; i < secret.length(); i++) {
                if (secret.charAt(i) < ' ' || secret.charAt(i) > '~') {
                    return Checked.bad(
                            Violation.Rule.CHARACTER,
                            "\"" + secret.charAt(i) + "\"",
                            "letters, digits and signs of ASCII, 32 to 126");
                }
            }
            if (secret.length() == KEY_DIGITS && !secret.matches("[0-9A-Fa-f]{" + KEY_DIGITS + "}")) {
                return Checked.bad(
                        Violation.Rule.CHARACTER,
                        KEY_DIGITS + " characters that are not all hex",
                        "a key of hex digits, or a " + "passphrase of at most " + LONGEST);
            }
            if (secret.length() < SHORTEST || secret.length() > KEY_DIGITS) {
                return Checked.bad(
                        Violation.Rule.LENGTH,
                        secret.length() + " characters of passphrase",
                        SHORTEST + " to " + LONGEST + ", or " + KEY_DIGITS + " hex digits");
            }
        }
        return new Checked.Good<>(new WifiNetwork(security, ssid, secret, hidden));
    }

    /** The pairwise master key in lower-case hex: PBKDF2 with HMAC-SHA1 over 4096 rounds (IEEE 802.11, Annex J). */
    public String masterKey() {
        if (secret.length() == KEY_DIGITS) {
            return secret.toLowerCase(Locale.ROOT);
        }
        try {
            PBEKeySpec spec =
                    new PBEKeySpec(secret.toCharArray(), ssid.getBytes(StandardCharsets.UTF_8), ITERATIONS, KEY_BITS);
            return HexFormat.of()
                    .formatHex(SecretKeyFactory.getInstance("PBKDF2WithHmacSHA1")
                            .generateSecret(spec)
                            .getEncoded());
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Impossible state: every Java platform has PBKDF2 with HMAC-SHA1.", e);
        }
    }

    /** The text of a square code that a phone joins by; its form is common practice, no source. */
    public String text() {
        return "WIFI:T:" + security.text + ";S:" + escaped(ssid) + ";"
                + (security == Security.NONE ? "" : "P:" + escaped(secret) + ";") + (hidden ? "H:true;" : "") + ";";
    }

    private static String escaped(String value) {
        StringBuilder text = new StringBuilder();
        for (char each : value.toCharArray()) {
            text.append(ESCAPED.indexOf(each) >= 0 ? "\\" : "").append(each);
        }
        return text.toString();
    }

    /**
     * Reads the text of a square code, with backslashes before what means something, or with percent signs where it has no backslash.
     */
    public static Checked<WifiNetwork> read(String typed) {
        String text = typed.strip();
        if (!text.startsWith("WIFI:")) {
            return Checked.bad(
                    Violation.Rule.LAYOUT, text.substring(0, Math.min(5, text.length())), "WIFI: at the beginning");
        }
        Map<String, String> fields = new LinkedHashMap<>();
        StringBuilder field = new StringBuilder();
        boolean literal = false;
        for (char each : text.substring("WIFI:".length()).toCharArray()) {
            if (!literal && each == '\\') {
                literal = true;
            } else if (!literal && each == ';') {
                put(field.toString(), text.indexOf('\\') < 0, fields);
                field.setLength(0);
            } else {
                field.append(each);
                literal = false;
            }
        }
        if (field.length() > 0) {
            return Checked.bad(Violation.Rule.LAYOUT, "an end without a semicolon", "a semicolon behind every part");
        }
        String kind = fields.getOrDefault("T", "nopass");
        for (Security security : Security.values()) {
            if (security.text.equalsIgnoreCase(kind) || security == Security.WPA && kind.equalsIgnoreCase("SAE")) {
                return of(
                        security,
                        fields.getOrDefault("S", ""),
                        fields.getOrDefault("P", ""),
                        "true".equals(fields.get("H")));
            }
        }
        return Checked.bad(Violation.Rule.VERSION, kind, "WPA, WEP or nopass");
    }

    private static void put(String field, boolean percents, Map<String, String> fields) {
        int colon = field.indexOf(':');
        if (colon > 0) {
            String value = field.substring(colon + 1);
            fields.put(
                    field.substring(0, colon),
                    percents && value.matches("(?s).*%[0-9A-Fa-f]{2}.*")
                            ? URLDecoder.decode(value.replace("+", "%2B"), StandardCharsets.UTF_8)
                            : value);
        }
    }
}
