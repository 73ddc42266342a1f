package org.hiddenclerk.core.joining;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Severity;

/**
 * How a device stands that is in its network.
 *
 * @param subject     its place in words, or its address while it is not known which module it is
 * @param isKnown     whether it is known which module it is
 * @param isSetUp     whether it has its name and its settings were read back
 * @param differences of what was written and what was read
 * @param link        how well it is heard, with its box closed where that was read
 */
public record DeviceStanding(
        String subject,
        String address,
        Protocol protocol,
        String name,
        boolean isKnown,
        boolean isSilent,
        boolean isSetUp,
        List<Settings.Difference> differences,
        OptionalInt link) {
    public DeviceStanding {
        differences = List.copyOf(differences);
    }

    public List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        if (isSilent) {
            findings.add(JoinFindings.silent(subject));
        }
        findings.addAll(JoinFindings.settings(subject, differences));
        if (link.isPresent()) {
            JoinFindings.link(subject, protocol, link.getAsInt()).ifPresent(findings::add);
        }
        return findings;
    }

    /** What keeps it from being done; empty when nothing does. */
    public Optional<Severity> reservation() {
        Stream<Severity> own = Stream.concat(
                isKnown ? Stream.empty() : Stream.of(Severity.HOLD),
                isSetUp ? Stream.empty() : Stream.of(Severity.NOTE));
        return Stream.concat(own, findings().stream().map(Finding::severity)).min(Severity::compareTo);
    }

    /** What is found of all of them, names that are borne twice too. */
    public static List<Finding> findings(Collection<DeviceStanding> devices) {
        List<Finding> findings = new ArrayList<>();
        devices.forEach(device -> findings.addAll(device.findings()));
        devices.stream().collect(Collectors.groupingBy(DeviceStanding::name)).forEach((name, bearers) -> {
            if (bearers.size() > 1) {
                findings.add(JoinFindings.twice(
                        name, bearers.stream().map(DeviceStanding::address).toList()));
            }
        });
        findings.sort(Finding.ORDER);
        return findings;
    }
}
