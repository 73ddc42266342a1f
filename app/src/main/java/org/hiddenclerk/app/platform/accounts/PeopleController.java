package org.hiddenclerk.app.platform.accounts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.access.Role;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The people of the firm, who works on which job, and links for households. */
@RestController
@Needs(Right.OWNER)
@RequestMapping("/api/v1")
@Tag(name = "people")
class PeopleController {
    private final Staff staff;
    private final GuestLinks guests;
    private final People people;

    PeopleController(Staff staff, GuestLinks guests, People people) {
        this.staff = staff;
        this.guests = guests;
        this.people = people;
    }

    record PersonView(
            UUID id,
            String name,
            String displayName,
            Role role,
            String roleLabel,
            boolean disabled,
            boolean secondFactor,
            List<UUID> jobs) {}

    record OpenInvitationView(UUID id, String displayName, String roleLabel, String invitedBy, Instant expiresAt) {}

    record PeopleView(List<PersonView> people, List<OpenInvitationView> invitations) {}

    record Invitation(@NotBlank @Size(max = 120) String displayName, @NotNull Role role) {}

    /** @param text goes behind # of the address; it is not to be had again */
    record FreshLink(UUID id, String text, Instant expiresAt) {
        static FreshLink of(ShownOnce shown) {
            return new FreshLink(shown.id(), shown.text(), shown.expiresAt());
        }
    }

    record PersonChange(@NotNull Role role, boolean disabled) {}

    /** Of one job: everybody who could be assigned, and who is. */
    record AssignedView(UUID id, String displayName, String roleLabel, boolean assigned, boolean always) {}

    record Assigned(@NotNull @Size(max = 500) Set<@NotNull UUID> people) {}

    record GuestLinkView(UUID id, String label, String madeBy, Instant expiresAt) {}

    record NewGuest(@NotBlank @Size(max = 120) String label, @Min(1) @Max(GuestLinks.LONGEST_DAYS) int days) {}

    @GetMapping("/people")
    @Operation(operationId = "people")
    PeopleView people() {
        return new PeopleView(
                staff.people().stream()
                        .map(p -> new PersonView(
                                p.id(),
                                p.name(),
                                p.displayName(),
                                p.role(),
                                p.role().label(),
                                p.disabled(),
                                p.secondFactor(),
                                p.jobs()))
                        .toList(),
                staff.open().stream()
                        .map(row -> new OpenInvitationView(
                                row.id(), row.displayName(), row.role().label(), row.invitedBy(), row.expiresAt()))
                        .toList());
    }

    @PutMapping("/people/{person}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "changePerson", summary = "Another role, or shut out; every login of theirs ends")
    void change(@PathVariable UUID person, @Valid @RequestBody PersonChange change) {
        staff.change(person, change.role(), change.disabled());
    }

    @PostMapping("/people/{person}/invited-again")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "inviteAgain", summary = "For somebody who lost the password or the second factor")
    FreshLink again(@PathVariable UUID person, Principal who) {
        return FreshLink.of(staff.inviteAgain(person, people.nameOf(who)));
    }

    @PostMapping("/invitations")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "invite")
    FreshLink invite(@Valid @RequestBody Invitation invitation, Principal who) {
        return FreshLink.of(staff.invite(invitation.displayName().strip(), invitation.role(), people.nameOf(who)));
    }

    @DeleteMapping("/invitations/{invitation}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "withdrawInvitation")
    void withdraw(@PathVariable UUID invitation) {
        staff.withdraw(invitation);
    }

    @GetMapping("/jobs/{job}/assigned")
    @Needs(Right.LEAD)
    @Operation(operationId = "assigned", summary = "Who works on a job; leads work on all")
    List<AssignedView> assigned(@PathVariable UUID job) {
        return staff.people().stream()
                .filter(p -> !p.disabled())
                .map(p -> new AssignedView(
                        p.id(),
                        p.displayName(),
                        p.role().label(),
                        p.jobs().contains(job),
                        p.role().leads()))
                .toList();
    }

    @PutMapping("/jobs/{job}/assigned")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Needs(Right.LEAD)
    @Operation(operationId = "assign")
    void assign(@PathVariable UUID job, @Valid @RequestBody Assigned assigned) {
        staff.assign(job, assigned.people());
    }

    @GetMapping("/jobs/{job}/guests")
    @Needs(Right.LEAD)
    @Operation(operationId = "guestLinks", summary = "Links by which the household reads its guide and its live house")
    List<GuestLinkView> guests(@PathVariable UUID job) {
        return guests.of(job).stream()
                .map(link -> new GuestLinkView(link.id(), link.label(), link.madeBy(), link.expiresAt()))
                .toList();
    }

    @PostMapping("/jobs/{job}/guests")
    @ResponseStatus(HttpStatus.CREATED)
    @Needs(Right.LEAD)
    @Operation(operationId = "makeGuestLink")
    FreshLink makeGuest(@PathVariable UUID job, @Valid @RequestBody NewGuest guest, Principal who) {
        return FreshLink.of(guests.make(job, guest.label().strip(), guest.days(), people.nameOf(who)));
    }

    @DeleteMapping("/jobs/{job}/guests/{guest}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Needs(Right.LEAD)
    @Operation(operationId = "revokeGuestLink")
    void revokeGuest(@PathVariable UUID job, @PathVariable UUID guest) {
        guests.revoke(job, guest);
    }
}
