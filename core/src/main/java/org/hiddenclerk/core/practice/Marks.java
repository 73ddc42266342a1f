package org.hiddenclerk.core.practice;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;

/**
 * What the clerk says of a finished wall.
 *
 * @param testsUsed      tests that tell something; proving dead is not counted
 * @param testsNeeded    what the clerk needed; empty where no sound circuit fits and looking is enough
 * @param namesRight     cores named right, earths left out
 * @param names          cores to be named
 * @param wrongNames     in words
 * @param refusedChoices choices that were no good
 * @param wiring         verdict of what was wired; empty when a fault was reported
 * @param findings       what the proof found
 * @param reported       the fault that was reported
 * @param fault          the fault that is there
 */
public record Marks(
        int testsUsed,
        OptionalInt testsNeeded,
        List<UnsafeDeed> unsafe,
        int namesRight,
        int names,
        List<String> wrongNames,
        int refusedChoices,
        Optional<Verdict> wiring,
        List<Finding> findings,
        Optional<FindingCode> reported,
        Optional<FindingCode> fault) {
    public Marks {
        unsafe = List.copyOf(unsafe);
        wrongNames = List.copyOf(wrongNames);
        findings = List.copyOf(findings);
    }

    /** Whether the work would be accepted: nothing unsafe, and the fault reported, or names and wiring right. */
    public boolean isAccepted() {
        if (!unsafe.isEmpty()) {
            return false;
        }
        if (fault.isPresent() || reported.isPresent()) {
            return reported.equals(fault);
        }
        return namesRight == names && wiring.equals(Optional.of(Verdict.OK));
    }
}
