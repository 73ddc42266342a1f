package org.hiddenclerk.core.matching.module;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.Wall;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.joining.Settings;

/** Whether an input can be what it is set to: by its switch, by its module, and by what the module runs. */
public final class FeelCheck {
    private FeelCheck() {}

    /** That a behaviour does not go with what a hand finds at the wall; empty when it does. */
    public static Optional<Finding> unsuited(Subject subject, Wall wall, ModuleModel model, InputBehaviour behaviour) {
        return Adviser.refusal(behaviour, wall, model.behaviours())
                .map(why -> Finding.of(
                        FindingCode.BEHAVIOUR_UNSUITED,
                        subject,
                        Sentence.of("\"{0}\" does not go with this switch: {1}.", behaviour.label(), why),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.CHANGE_BEHAVIOUR, "choose the first of the list")));
    }

    /**
     * What is found of one input.
     *
     * @param subject   the input
     * @param settings  what will be written, by key of {@link Settings}
     * @param installed what the module runs, once it has joined
     */
    public static List<Finding> of(
            Subject subject,
            Wall wall,
            ModuleModel model,
            InputBehaviour behaviour,
            Parameters parameters,
            Map<String, String> settings,
            Optional<InstalledFirmware> installed) {
        List<Finding> findings = new ArrayList<>();
        unsuited(subject, wall, model, behaviour).ifPresent(findings::add);
        FirmwareNeeds.of(behaviour)
                .flatMap(feature -> installed.isPresent()
                        ? FirmwareNeeds.lackOfInstalled(model, installed.get(), feature, "this behaviour")
                        : FirmwareNeeds.lackOfLine(model, feature, "this behaviour"))
                .ifPresent(findings::add);
        settings.forEach((key, value) -> Settings.refusal(model, key, value)
                .ifPresent(why -> findings.add(Finding.of(
                        FindingCode.SETTING_NOT_OFFERED,
                        subject,
                        why,
                        Source.MAKER,
                        new Remedy(Remedy.Kind.CHANGE_BEHAVIOUR, "choose a value that it takes")))));
        Adviser.PowerOnAdvice advice = Adviser.powerOn(behaviour);
        if (parameters.powerOn() != advice.state()) {
            findings.add(Finding.of(
                    FindingCode.POWER_ON_UNUSUAL,
                    subject,
                    Sentence.of(
                            "When the supply comes back it is {0}; usual is {1}: {2}.",
                            parameters.powerOn().label(), advice.state().label(), advice.reason()),
                    Source.COMMON_PRACTICE,
                    new Remedy(
                            Remedy.Kind.CHANGE_BEHAVIOUR,
                            "set it to \"" + advice.state().label()
                                    + "\", or keep it where the household asked for it")));
        }
        findings.sort(Finding.ORDER);
        return findings;
    }
}
