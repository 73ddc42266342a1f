package org.hiddenclerk.app.stage.rules;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Guard;
import org.hiddenclerk.core.rules.Trigger;
import org.hiddenclerk.core.schedule.Schedule;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** Rules as JSON: the records of the core by the names of their parts, and what a part is in {@code is}. See docs/formats/rules.md. */
public final class RuleJson {
    static final JsonMapper MAPPER = IdJson.known(JsonMapper.builder())
            .addMixIn(Trigger.class, Triggers.class)
            .addMixIn(Guard.class, Guards.class)
            .addMixIn(Action.class, Actions.class)
            .addMixIn(Schedule.class, Schedules.class)
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .changeDefaultPropertyInclusion(old -> old.withValueInclusion(JsonInclude.Include.NON_ABSENT))
            .build();

    private RuleJson() {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Trigger.Changes.class, name = "changes"),
        @JsonSubTypes.Type(value = Trigger.Used.class, name = "used"),
        @JsonSubTypes.Type(value = Trigger.Sensed.class, name = "sensed"),
        @JsonSubTypes.Type(value = Trigger.Due.class, name = "due"),
        @JsonSubTypes.Type(value = Trigger.Household.class, name = "household")
    })
    private interface Triggers {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Guard.OutputIs.class, name = "output"),
        @JsonSubTypes.Type(value = Guard.TimeBetween.class, name = "time"),
        @JsonSubTypes.Type(value = Guard.Dark.class, name = "dark"),
        @JsonSubTypes.Type(value = Guard.SomebodyHome.class, name = "home"),
        @JsonSubTypes.Type(value = Guard.SensorSays.class, name = "sensor")
    })
    private interface Guards {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Action.Turn.class, name = "turn"),
        @JsonSubTypes.Type(value = Action.SetLevel.class, name = "level"),
        @JsonSubTypes.Type(value = Action.AllOff.class, name = "all-off"),
        @JsonSubTypes.Type(value = Action.Step.class, name = "step"),
        @JsonSubTypes.Type(value = Action.DimToggle.class, name = "two-levels"),
        @JsonSubTypes.Type(value = Action.AtLeast.class, name = "at-least"),
        @JsonSubTypes.Type(value = Action.Pulse.class, name = "pulse"),
        @JsonSubTypes.Type(value = Action.Move.class, name = "move"),
        @JsonSubTypes.Type(value = Action.Follow.class, name = "follow"),
        @JsonSubTypes.Type(value = Action.RunOn.class, name = "run-on"),
        @JsonSubTypes.Type(value = Action.Pretend.class, name = "pretend"),
        @JsonSubTypes.Type(value = Action.WriteSetting.class, name = "write-setting")
    })
    private interface Actions {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Schedule.Daily.class, name = "daily"),
        @JsonSubTypes.Type(value = Schedule.BySun.class, name = "sun"),
        @JsonSubTypes.Type(value = Schedule.Recurring.class, name = "recurring")
    })
    private interface Schedules {}
}
