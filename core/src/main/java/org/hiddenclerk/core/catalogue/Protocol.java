package org.hiddenclerk.core.catalogue;

/** How a module talks. */
public enum Protocol {
    ZIGBEE("Zigbee"),
    ZWAVE("Z-Wave"),
    WIFI("Wi-Fi"),
    MQTT_WIFI("MQTT over Wi-Fi");

    private final String label;

    Protocol(String label) {
        this.label = label;
    }

    /** Whether both are members of one network: everything over Wi-Fi hangs on the same access points. */
    public boolean sharesNetworkWith(Protocol other) {
        return this == other || isWifi() && other.isWifi();
    }

    private boolean isWifi() {
        return this == WIFI || this == MQTT_WIFI;
    }

    /** Whether modules pass messages on for each other; over Wi-Fi each reaches an access point or nothing. */
    public boolean isMesh() {
        return !isWifi();
    }

    public String label() {
        return label;
    }
}
