package org.hiddenclerk.core.planned;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.joining.Settings;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** What the modules of a planned house are to be set to, by key of {@link Settings}. */
public final class PlannedSettings {
    private PlannedSettings() {}

    /**
     * Modules that need no setting are left out.
     *
     * @param wanted of inputs of which somebody said how they are to feel; the others stay as they are shipped
     */
    public static Map<PlannedId.Module, Map<String, String>> of(
            PlannedHouse house, Map<PlannedId.Input, Parameters> wanted) {
        Map<PlannedId.Module, Map<String, String>> all = new HashMap<>();
        house.modules().forEach(module -> {
            Map<String, String> settings = of(module, wanted);
            if (!settings.isEmpty()) {
                all.put(module.id(), settings);
            }
        });
        return all;
    }

    /** What an input is set to, and the channel that it commands. */
    public static Map<String, String> of(WallInput input, Parameters wanted) {
        return Settings.of(input.number(), input.channelNumber(), input.input().behaviour(), wanted);
    }

    private static Map<String, String> of(PlannedModule module, Map<PlannedId.Input, Parameters> wanted) {
        // What it is shipped as comes first: inputs of another function are other inputs.
        Map<String, String> settings = new LinkedHashMap<>(
                module.model().isSender() ? Map.of() : Settings.ofFunction(module.model(), module.function()));
        module.inputs().stream()
                .filter(input -> wanted.containsKey(input.id()))
                .forEach(input -> settings.putAll(of(input.wall(), wanted.get(input.id()))));
        if (module.isPicked()) {
            settings.putAll(ofScheme(module));
        }
        return settings;
    }

    /** What follows from how a module is wired, without an input that says so. */
    private static Map<String, String> ofScheme(PlannedModule module) {
        Map<String, String> settings = new LinkedHashMap<>();
        if (module.scheme().has(SchemeCode.Trait.FED_BY_SWITCH)) {
            settings.putAll(Settings.ofOutput(Adviser.powerOnBehindASwitch().state()));
        } else if (module.scheme().has(SchemeCode.Trait.ISOLATED_CONTACT)) {
            for (int channel = 1; channel <= module.outputs().size(); channel++) {
                if (module.outputs().get(channel - 1).surveyed().stream()
                        .flatMap(load -> load.banks().stream())
                        .anyMatch(bank -> bank.kind().isPulsed())) {
                    settings.putAll(Settings.ofPulse(channel));
                }
            }
        }
        return settings;
    }
}
