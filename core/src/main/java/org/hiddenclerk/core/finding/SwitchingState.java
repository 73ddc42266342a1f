package org.hiddenclerk.core.finding;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * One combination of switch positions and relay contacts.
 *
 * @param switches position (0 or 1) by switch
 * @param channels 1 for a closed contact, 0 for an open one, by "module/channel"
 */
public record SwitchingState(Map<String, Integer> switches, Map<String, Integer> channels) {
    public SwitchingState {
        switches = Collections.unmodifiableMap(new LinkedHashMap<>(switches));
        channels = Collections.unmodifiableMap(new LinkedHashMap<>(channels));
    }
}
