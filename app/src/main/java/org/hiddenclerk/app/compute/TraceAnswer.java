package org.hiddenclerk.app.compute;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.conductors.Reading;
import org.hiddenclerk.core.conductors.Traced;
import org.jspecify.annotations.Nullable;

/** The answer of a trace as JSON. */
public record TraceAnswer(
        List<Traced.Possibility> possible,
        Map<String, ConductorRole> certain,
        List<Contradiction> contradictions,
        @JsonInclude(JsonInclude.Include.ALWAYS) @Nullable NextTest nextTest,
        boolean done) {

    /** Readings that cannot hold together, by index. */
    public record Contradiction(List<Integer> readings) {}

    /** The reading to make next, as the request would carry it, without a value. */
    public record NextTest(Map<String, Object> reading, int leavesIfTrue, int leavesIfFalse, String why) {}

    static TraceAnswer of(Traced traced, boolean severalCircuits) {
        return new TraceAnswer(
                traced.possible(),
                traced.certain(),
                traced.contradictions().stream().map(Contradiction::new).toList(),
                traced.nextTest()
                        .map(test -> new NextTest(
                                reading(test.reading(), severalCircuits),
                                test.leavesIfTrue(),
                                test.leavesIfFalse(),
                                test.why()))
                        .orElse(null),
                traced.done());
    }

    private static Map<String, Object> reading(Reading reading, boolean severalCircuits) {
        Map<String, Object> json = new LinkedHashMap<>();
        if (reading instanceof Reading.Continuous pair) {
            json.put("continuous", List.of(pair.first(), pair.second()));
        } else if (reading instanceof Reading.Live live) {
            json.put("live", live.core());
            json.put("with", new TreeMap<>(live.with()));
        } else if (reading instanceof Reading.Returns returns) {
            json.put("returns", returns.core());
            json.put("with", new TreeMap<>(returns.with()));
        } else if (reading instanceof Reading.Lamp lamp) {
            json.put("lamp", severalCircuits ? lamp.box() : true);
            json.put("with", new TreeMap<>(lamp.with()));
        }
        return json;
    }
}
