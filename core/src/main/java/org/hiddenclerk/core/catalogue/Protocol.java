package org.hiddenclerk.core.catalogue;

/** How a module talks. */
public enum Protocol {
    ZIGBEE("Zigbee"), ZWAVE("Z-Wave"), WIFI("Wi-Fi"), MQTT_WIFI("MQTT over Wi-Fi");

    private final String label;

    Protocol(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
