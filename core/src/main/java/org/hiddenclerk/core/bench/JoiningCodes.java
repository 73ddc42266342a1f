package org.hiddenclerk.core.bench;

import java.util.List;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.credentials.CredentialKind;

/** Which codes a module may join by, and whether one is asked for; common practice, no source. */
public final class JoiningCodes {
    private JoiningCodes() {}

    /** Kinds of codes of a protocol, the usual one first. */
    public static List<CredentialKind> of(Protocol protocol) {
        return switch (protocol) {
            case ZIGBEE -> List.of(CredentialKind.ZIGBEE_INSTALL_CODE);
            case ZWAVE -> List.of(CredentialKind.ZWAVE_KEY, CredentialKind.ZWAVE_START_CODE);
            case WIFI, MQTT_WIFI -> List.of(CredentialKind.MATTER_MANUAL_CODE, CredentialKind.MATTER_SQUARE_CODE);
        };
    }

    /**
     * Whether a module is not ready without one, or a reason why it has none: where it has an account of its own
     * with a broker it needs none.
     */
    public static boolean areNeeded(Protocol protocol) {
        return !protocol.goesOverBroker();
    }
}
