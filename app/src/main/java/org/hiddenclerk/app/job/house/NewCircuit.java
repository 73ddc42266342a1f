package org.hiddenclerk.app.job.house;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.Optional;
import java.util.OptionalInt;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.ExtraLowVoltage;
import org.hiddenclerk.core.quantity.Volts;

/** A circuit as somebody types it. */
public record NewCircuit(
        @NotBlank @Size(max = 20) String label,
        @NotNull @DecimalMin("1") @DecimalMax("125") @Digits(integer = 3, fraction = 1) BigDecimal ratingAmps,
        @NotNull Line phase,
        boolean alternativelySupplied,
        @MayBeAbsent @DecimalMin("5") @DecimalMax(ExtraLowVoltage.MOST_DIRECT_VOLTS) @Digits(integer = 3, fraction = 1)
                BigDecimal elvVolts,
        @MayBeAbsent Protection.Device device,
        @MayBeAbsent @Min(1) @Max(1000) Integer residualMilliamps,
        @MayBeAbsent @DecimalMin("0.5") @DecimalMax("50") @Digits(integer = 2, fraction = 2) BigDecimal cableMm2,
        @MayBeAbsent Protection.Metal metal) {

    /**
     * What it means in a region.
     *
     * @param at pointer of this circuit in what was sent
     * @throws ProblemException when its phase or volts cannot be
     */
    public CircuitRow.Data in(RegionProfile region, String at) {
        boolean elv = phase == Line.ELV_PLUS;
        if (elv != (elvVolts != null)) {
            throw ProblemException.content(
                    "The circuit cannot be kept like this",
                    new FieldProblem(
                            at + "/elvVolts",
                            elvVolts == null ? "no volts" : elvVolts.toPlainString() + " V",
                            "the volts of an extra-low-voltage circuit, and of no other"));
        }
        if (!elv && !region.phases().contains(phase)) {
            throw ProblemException.content(
                    "The circuit cannot be kept like this",
                    new FieldProblem(at + "/phase", phase.label(), "one of " + region.phases()));
        }
        return new CircuitRow.Data(
                label.strip(),
                Amps.of(ratingAmps),
                phase,
                alternativelySupplied,
                Optional.ofNullable(elvVolts).map(Volts::of),
                new Protection(
                        Optional.ofNullable(device).orElse(Protection.Device.BREAKER),
                        residualMilliamps == null ? OptionalInt.empty() : OptionalInt.of(residualMilliamps),
                        Optional.ofNullable(cableMm2),
                        Optional.ofNullable(metal)));
    }
}
