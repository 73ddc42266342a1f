package org.hiddenclerk.core.joining;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;

/** What may be found while modules join; every rule is common practice, no source. */
public final class JoinFindings {
    private JoinFindings() {}

    /** @param why what the gateway says of it, when it does */
    public static Finding notIn(String subject, int windows, Optional<String> why) {
        return of(
                FindingCode.DID_NOT_COME_IN,
                new Subject.Device(subject),
                Sentence.of(
                        "{0} did not come in while the network was open {1} times{2}.",
                        subject, windows, why.map(reason -> ": " + reason).orElse("")),
                Remedy.Kind.FIND_OUT,
                "look at its indicator, let it search again, and read its code off the module once more");
    }

    public static Finding silent(String subject) {
        return of(
                FindingCode.DOES_NOT_ANSWER,
                new Subject.Device(subject),
                Sentence.of("{0} came in and does not answer.", subject),
                Remedy.Kind.OTHER_MODULE,
                "take its supply away for 10 s; if it stays silent, put it aside");
    }

    public static List<Finding> settings(String subject, List<Settings.Difference> differences) {
        return differences.stream()
                .map(d -> of(
                        FindingCode.SETTING_NOT_KEPT,
                        new Subject.Setting(subject, d.key()),
                        Sentence.of(
                                "{0}: {1} was set to {2} and reads {3}.",
                                subject,
                                d.key(),
                                d.written().orElse("nothing"),
                                d.read().orElse("nothing")),
                        Remedy.Kind.FIND_OUT,
                        "write it once more; if it reads the same, its firmware may lack it"))
                .toList();
    }

    public static Optional<Finding> link(String subject, Protocol protocol, int figure) {
        Link link = Link.of(protocol, figure);
        return link.grade() == Link.Grade.GOOD
                ? Optional.empty()
                : Optional.of(of(
                        link.grade() == Link.Grade.WEAK
                                ? FindingCode.LINK_MEASURED_WEAK
                                : FindingCode.LINK_MEASURED_POOR,
                        new Subject.Device(subject),
                        Sentence.of("{0} is heard with {found}.", subject).found(figure, 0, link.unit()),
                        Remedy.Kind.ADD_ROUTER,
                        link.grade().remedy()));
    }

    public static Finding twice(String name, List<String> addresses) {
        return of(
                FindingCode.NAME_TWICE,
                new Subject.Device(name),
                Sentence.of(
                        "\"{0}\" is borne by {1}: over one topic they act as one.",
                        name, String.join(" and ", addresses)),
                Remedy.Kind.FIND_OUT,
                "give each the name of its place");
    }

    /** Names that are borne twice, and devices that came back under another address. */
    public static List<Finding> ofInventory(InventoryComparison inventory) {
        List<Finding> findings = new ArrayList<>();
        inventory.twice().forEach((name, addresses) -> findings.add(twice(name, addresses)));
        inventory
                .moved()
                .forEach((from, to) -> findings.add(of(
                        FindingCode.CAME_BACK_ELSEWHERE,
                        new Subject.Device(from),
                        Sentence.of("{0} came back as {1}.", from, to),
                        Remedy.Kind.FIND_OUT,
                        "give it a fixed lease, or let the hub read its table again")));
        return findings;
    }

    public static Finding notUpdated(String subject, String reason) {
        return of(
                FindingCode.UPDATE_NOT_TAKEN,
                new Subject.Device(subject),
                Sentence.of("{0}: {1}.", subject, reason),
                Remedy.Kind.FIND_OUT,
                "read its version; try it alone and near; if it stays so, leave it on the version it has and note it");
    }

    private static Finding of(FindingCode code, Subject subject, Sentence reason, Remedy.Kind kind, String remedy) {
        return Finding.of(code, subject, reason, Source.COMMON_PRACTICE, new Remedy(kind, remedy));
    }

    /** What is found when names are given and settings written to a module that came in. */
    static List<Finding> setUp(
            Gateway gateway, String address, String subject, String name, Map<String, String> settings) {
        List<Finding> findings = new ArrayList<>();
        boolean answers = gateway.ask(new Order.Rename(address, name)).isPresent();
        if (!answers) {
            return List.of(silent(subject));
        }
        if (!settings.isEmpty()) {
            gateway.ask(new Order.Write(address, settings));
            Map<String, String> read = gateway.ask(new Order.ReadSettings(address))
                    .filter(a -> a instanceof Answer.Settings)
                    .map(a -> ((Answer.Settings) a).settings())
                    .orElse(Map.of());
            findings.addAll(settings(subject, Settings.differences(settings, read)));
        }
        gateway.ask(new Order.Look(address))
                .filter(a -> a instanceof Answer.Members)
                .map(a -> ((Answer.Members) a).members().get(0))
                .flatMap(member -> link(subject, gateway.protocol(), member.link()))
                .ifPresent(findings::add);
        return findings;
    }
}
