package org.hiddenclerk.app.stage.live;

import java.util.stream.Stream;
import org.hiddenclerk.core.live.Check;
import tools.jackson.databind.json.JsonMapper;

/** What checks are made from, and how that is written. */
public final class CheckJsonTypes {
    private CheckJsonTypes() {}

    public static Stream<Class<?>> kinds() {
        return Stream.of(Check.Given.class, Check.When.class, Check.Then.class);
    }

    public static JsonMapper mapper() {
        return CheckJson.MAPPER;
    }
}
