package org.hiddenclerk.core.matching.house;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.wiring.run.HouseContext;

/**
 * All boxes of a house.
 *
 * @param boxes by identity, in the order in which they are walked
 * @param rooms room of each box, by the box's identity
 */
public record HouseSurvey(HouseContext house, Map<String, Box> boxes, Map<String, String> rooms) {
    public HouseSurvey {
        boxes = Collections.unmodifiableMap(new LinkedHashMap<>(boxes));
        rooms = Map.copyOf(rooms);
    }
}
