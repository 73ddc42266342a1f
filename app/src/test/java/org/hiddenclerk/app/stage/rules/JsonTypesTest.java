package org.hiddenclerk.app.stage.rules;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import java.lang.reflect.Modifier;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.stage.live.CheckJsonTypes;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Guard;
import org.hiddenclerk.core.rules.Trigger;
import org.hiddenclerk.core.schedule.Schedule;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every case of what rules and checks are made from has a name in JSON: one that was forgotten could be made and not kept. */
class JsonTypesTest {
    /** @return cases of a sealed type that the core knows */
    static Stream<Class<?>> kinds() {
        return Stream.concat(
                Stream.of(Trigger.class, Guard.class, Action.class, Schedule.class), CheckJsonTypes.kinds());
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void everyCaseHasAName(Class<?> kind) {
        Class<?> names = Stream.of(RuleJson.MAPPER, CheckJsonTypes.mapper())
                .map(mapper -> mapper.serializationConfig().findMixInClassFor(kind))
                .filter(java.util.Objects::nonNull)
                .findFirst()
                .orElseThrow();
        List<JsonSubTypes.Type> named =
                List.of(names.getAnnotation(JsonSubTypes.class).value());

        assertThat(named.stream().map(JsonSubTypes.Type::value).collect(Collectors.toSet()))
                .as(kind.getSimpleName())
                .isEqualTo(cases(kind));
        assertThat(named)
                .extracting(JsonSubTypes.Type::name)
                .as(kind.getSimpleName())
                .doesNotHaveDuplicates();
    }

    private static Set<Class<?>> cases(Class<?> kind) {
        return Arrays.stream(kind.getPermittedSubclasses())
                .flatMap(each -> Modifier.isInterface(each.getModifiers()) ? cases(each).stream() : Stream.of(each))
                .collect(Collectors.toSet());
    }
}
