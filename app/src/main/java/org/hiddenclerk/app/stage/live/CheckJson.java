package org.hiddenclerk.app.stage.live;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.hiddenclerk.app.stage.rules.IdJson;
import org.hiddenclerk.core.live.Check;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** JSON of checks. */
final class CheckJson {
    static final JsonMapper MAPPER = IdJson.known(JsonMapper.builder())
            .addMixIn(Check.Given.class, Givens.class)
            .addMixIn(Check.When.class, Whens.class)
            .addMixIn(Check.Then.class, Thens.class)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .build();

    private CheckJson() {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "given")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Check.Given.OutputIs.class, name = "output"),
        @JsonSubTypes.Type(value = Check.Given.Dark.class, name = "dark"),
        @JsonSubTypes.Type(value = Check.Given.SomebodyHome.class, name = "home"),
        @JsonSubTypes.Type(value = Check.Given.ClockShows.class, name = "clock"),
        @JsonSubTypes.Type(value = Check.Given.SensorSays.class, name = "sensor"),
        @JsonSubTypes.Type(value = Check.Given.Down.class, name = "down")
    })
    private interface Givens {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "when")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Check.When.Worked.class, name = "hand"),
        @JsonSubTypes.Type(value = Check.When.Ordered.class, name = "remote"),
        @JsonSubTypes.Type(value = Check.When.Senses.class, name = "sensor"),
        @JsonSubTypes.Type(value = Check.When.Household.class, name = "household"),
        @JsonSubTypes.Type(value = Check.When.ClockComesTo.class, name = "clock"),
        @JsonSubTypes.Type(value = Check.When.Fails.class, name = "fails"),
        @JsonSubTypes.Type(value = Check.When.ComesBack.class, name = "back"),
        @JsonSubTypes.Type(value = Check.When.Passes.class, name = "passes")
    })
    private interface Whens {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "then")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Check.Then.Becomes.class, name = "becomes"),
        @JsonSubTypes.Type(value = Check.Then.Stays.class, name = "stays"),
        @JsonSubTypes.Type(value = Check.Then.HubKnows.class, name = "hub-knows")
    })
    private interface Thens {}
}
