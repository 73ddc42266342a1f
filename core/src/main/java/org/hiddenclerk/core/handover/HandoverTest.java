package org.hiddenclerk.core.handover;

import java.math.BigDecimal;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.OutputId;

/**
 * One test that is made before a house is handed over.
 *
 * @param id       the same whenever the same thing is tested
 * @param device   the module, as rules name it
 * @param output   what is switched
 * @param words    what to do
 * @param expected what the plan says will happen
 * @param scale    how a figure is judged; empty where one looks and says whether it is as planned
 */
public record HandoverTest(
        String id, Kind kind, DeviceId device, OutputId output, String words, String expected, Optional<Scale> scale) {
    /** What is tested, and what the outcome rests on. */
    public enum Kind {
        WALL_SWITCH("wall switch", Matter.WIRING, Matter.SETTINGS),
        FAR_SWITCH("switch elsewhere", Matter.WIRING, Matter.SETTINGS, Matter.LINKS),
        REMOTE("by remote", Matter.WIRING, Matter.DEVICE),
        POWER_CUT("after a power cut", Matter.WIRING, Matter.SETTINGS, Matter.FIRMWARE),
        INTERNET_OFF("internet off", Matter.WIRING, Matter.SETTINGS, Matter.LINKS),
        HUB_OFF("hub off", Matter.WIRING, Matter.SETTINGS, Matter.LINKS),
        HAND_TO_HUB("hand to hub", Matter.DEVICE, Matter.FIRMWARE, Matter.SETTINGS),
        METERING("metering", Matter.WIRING, Matter.LOADS, Matter.DEVICE),
        LINK_QUALITY("link, cover on", Matter.DEVICE);

        private final String label;
        private final Set<Matter> restsOn;

        Kind(String label, Matter first, Matter... more) {
            this.label = label;
            restsOn = EnumSet.of(first, more);
        }

        public String label() {
            return label;
        }

        public Set<Matter> restsOn() {
            return restsOn;
        }
    }

    /** How a figure is judged. */
    public interface Scale {
        String unit();

        Judged judge(BigDecimal figure);
    }

    /** @param words with the numbers; never empty */
    public record Judged(boolean passed, String words) {}
}
