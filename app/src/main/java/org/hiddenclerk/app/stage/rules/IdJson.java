package org.hiddenclerk.app.stage.rules;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.List;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.LampId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.identity.SwitchId;
import tools.jackson.databind.json.JsonMapper;

/** Identities in JSON: each is its text. */
public final class IdJson {
    private static final List<Class<? extends HouseId>> IDS =
            List.of(DeviceId.class, OutputId.class, ControlId.class, SensorId.class, SwitchId.class, LampId.class);

    private IdJson() {}

    /** Teaches a mapper the identities. */
    public static JsonMapper.Builder known(JsonMapper.Builder mapper) {
        IDS.forEach(id -> mapper.addMixIn(id, AsText.class));
        return mapper;
    }

    private abstract static class AsText {
        @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
        AsText(String text) {
            throw new IllegalStateException("Only its annotations are used, not " + text + ".");
        }

        @JsonValue
        abstract String text();
    }
}
