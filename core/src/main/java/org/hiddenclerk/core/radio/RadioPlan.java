package org.hiddenclerk.core.radio;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Predicate;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.RegionProfile;

/** Which way the modules of a plan reach the coordinator or access point of their network. */
public final class RadioPlan {
    private static final Source SOURCE =
            new Source("estimate: free space by ITU-R P.525, walls by common practice; measure with the plate on");
    private static final Source PROTOCOL = new Source("limits of the network's specification, from memory");

    private final FloorPlan plan;
    private final RegionProfile region;
    private final List<Anchor> anchors;
    private final Map<String, Optional<Link>> links = new LinkedHashMap<>();

    /** @param anchors what is fixed: coordinators and access points */
    public RadioPlan(FloorPlan plan, RegionProfile region, List<Anchor> anchors) {
        this.plan = plan;
        this.region = region;
        this.anchors = List.copyOf(anchors);
    }

    /**
     * A coordinator or access point.
     *
     * @param room  where it stands
     * @param takes members it takes, where it is known
     */
    public record Anchor(String name, Protocol protocol, String room, OptionalInt takes) {
        boolean serves(Protocol other) {
            return protocol.sharesNetworkWith(other);
        }
    }

    /**
     * A module of the plan.
     *
     * @param room    where it is fitted
     * @param router  whether it passes on for others
     * @param inMetal whether metal is around it: no estimate is made then
     */
    public record Member(String name, Protocol protocol, String room, boolean router, boolean inMetal) {}

    /** The link between two rooms, worked out once. */
    public Optional<Link> link(String from, String to, Protocol protocol) {
        String key = (from.compareTo(to) < 0 ? from + "|" + to : to + "|" + from) + "|"
                + (protocol.isMesh() ? protocol : Protocol.WIFI);
        return links.computeIfAbsent(key, k -> Link.between(plan, from, to, protocol, region));
    }

    /** Whether an estimate can be made, and it says that a link is to be expected. */
    public boolean isExpected(String from, String to, Protocol protocol) {
        return link(from, to, protocol)
                .filter(link -> link.quality() != Link.Quality.NONE)
                .isPresent();
    }

    /** Whether a module in a room reaches a coordinator or access point of its network without help. */
    public boolean reachesAnchor(String room, Protocol protocol) {
        return anchors.stream()
                .anyMatch(anchor -> anchor.serves(protocol) && isExpected(room, anchor.room(), protocol));
    }

    /** Metres from a room to the nearest coordinator or access point of a network; empty where the rooms are not drawn. */
    public OptionalDouble metresToAnchor(String room, Protocol protocol) {
        return anchors.stream()
                .filter(anchor -> anchor.serves(protocol))
                .flatMap(anchor -> link(room, anchor.room(), protocol).stream())
                .mapToDouble(Link::metres)
                .min();
    }

    /** Whether anything can be said of a module: its room and an anchor of its network are drawn, and no metal is around it. */
    public boolean canEstimate(Member member) {
        return !member.inMetal()
                && plan.rooms().containsKey(member.room())
                && anchors.stream()
                        .anyMatch(anchor ->
                                anchor.serves(member.protocol()) && plan.rooms().containsKey(anchor.room()));
    }

    /** Members that the network of a protocol takes: the sum over access points, or what the specification says. */
    public OptionalInt capacity(Protocol protocol) {
        List<Anchor> own =
                anchors.stream().filter(anchor -> anchor.serves(protocol)).toList();
        if (own.isEmpty() || own.stream().anyMatch(anchor -> anchor.takes().isEmpty())) {
            return protocol.members();
        }
        int stated = own.stream().mapToInt(anchor -> anchor.takes().getAsInt()).sum();
        return OptionalInt.of(Math.min(protocol.members().orElse(stated), stated));
    }

    /**
     * Hops of each module to its coordinator or access point over routers; those that have no way are left out. Modules of which
     * nothing can be estimated neither pass on nor count.
     */
    public Map<Member, Integer> hops(List<Member> members) {
        Map<Member, Integer> hops = new LinkedHashMap<>();
        Deque<Member> open = new ArrayDeque<>();
        for (Member member : members) {
            if (canEstimate(member) && reachesAnchor(member.room(), member.protocol())) {
                hops.put(member, 1);
                open.add(member);
            }
        }
        while (!open.isEmpty()) {
            Member via = open.remove();
            Predicate<Member> near = m -> !hops.containsKey(m)
                    && m.protocol() == via.protocol()
                    && canEstimate(m)
                    && isExpected(via.room(), m.room(), m.protocol());
            if (via.router() && via.protocol().isMesh()) {
                members.stream().filter(near).toList().forEach(member -> {
                    hops.put(member, hops.get(via) + 1);
                    open.add(member);
                });
            }
        }
        return hops;
    }

    /** One protocol of each network there can be. */
    public static List<Protocol> networks() {
        List<Protocol> networks = new ArrayList<>();
        for (Protocol protocol : Protocol.values()) {
            if (networks.stream().noneMatch(protocol::sharesNetworkWith)) {
                networks.add(protocol);
            }
        }
        return networks;
    }

    /** What the radio of a whole plan shows, gravest first; one word where no room is drawn. */
    public List<Finding> judge(List<Member> members) {
        List<Finding> findings = new ArrayList<>();
        if (!plan.isDrawn()) {
            return members.isEmpty()
                    ? List.of()
                    : List.of(Finding.of(
                            FindingCode.LINK_NOT_ESTIMATED,
                            new Subject.House(),
                            Sentence.of("No room of this house is drawn: of {found} modules no link can be estimated.")
                                    .found(members.size(), 0, ""),
                            SOURCE,
                            new Remedy(Remedy.Kind.FIND_OUT, "draw the rooms")));
        }
        Map<Member, Integer> hops = hops(members);
        for (Member member : members) {
            if (!canEstimate(member)) {
                findings.add(Finding.of(
                        FindingCode.LINK_NOT_ESTIMATED,
                        new Subject.Device(member.name()),
                        member.inMetal()
                                ? Sentence.of(
                                        "{0}: metal is around it; count on no link until it is measured.",
                                        member.name())
                                : Sentence.of(
                                        "{0}: its room, or a coordinator or access point of {1}, is not on the plan of the house.",
                                        member.name(), member.protocol().label()),
                        SOURCE,
                        new Remedy(
                                Remedy.Kind.FIND_OUT,
                                member.inMetal() ? "measure it with the plate on" : "draw the rooms")));
            } else if (!hops.containsKey(member)) {
                findings.add(Finding.of(
                        FindingCode.NO_ROUTER_IN_REACH,
                        new Subject.Device(member.name()),
                        Sentence.of("{0}: {1}", member.name(), best(member, members)),
                        SOURCE,
                        new Remedy(
                                Remedy.Kind.ADD_ROUTER,
                                "a module that passes on in between, or a nearer access point")));
            } else if (hops.get(member) > member.protocol().hops().orElse(Integer.MAX_VALUE)) {
                findings.add(Finding.of(
                        FindingCode.TOO_MANY_HOPS,
                        new Subject.Device(member.name()),
                        Sentence.of(
                                        "{0}: {found} hops to the coordinator; {1} goes {allowed}.",
                                        member.name(), member.protocol().label())
                                .found(hops.get(member), 0, "")
                                .allowed(member.protocol().hops().getAsInt(), 0, ""),
                        PROTOCOL,
                        new Remedy(Remedy.Kind.ADD_ROUTER, "move the coordinator nearer")));
            } else {
                nearest(member, members, hops)
                        .filter(link -> link.quality() == Link.Quality.WEAK)
                        .ifPresent(link -> findings.add(Finding.of(
                                FindingCode.LINK_WEAK,
                                new Subject.Device(member.name()),
                                Sentence.of(
                                                "{0}: {found} are left over {1} to the nearest that passes on.",
                                                member.name(), between(link))
                                        .found(link.marginDecibels(), 1, "dB"),
                                SOURCE)));
            }
        }
        networks().forEach(protocol -> capacity(protocol).ifPresent(takes -> {
            long count = members.stream()
                    .filter(m -> m.protocol().sharesNetworkWith(protocol))
                    .count();
            if (count > takes) {
                findings.add(Finding.of(
                        FindingCode.NETWORK_FULL,
                        new Subject.Network(protocol.label()),
                        Sentence.of("{found} modules; the network takes {allowed}.")
                                .found(count, 0, "")
                                .allowed(takes, 0, ""),
                        PROTOCOL,
                        new Remedy(Remedy.Kind.ADD_ROUTER, "another access point, or a second network")));
            }
        }));
        findings.sort(Finding.ORDER);
        return findings;
    }

    /** The best link of a module to what passes on and has a way. */
    public Optional<Link> nearest(Member member, List<Member> members, Map<Member, Integer> hops) {
        List<Link> links = new ArrayList<>();
        anchors.stream().filter(anchor -> anchor.serves(member.protocol())).forEach(anchor -> link(
                        member.room(), anchor.room(), member.protocol())
                .ifPresent(links::add));
        if (member.protocol().isMesh()) {
            members.stream()
                    .filter(m -> m.router() && m != member && m.protocol() == member.protocol() && hops.containsKey(m))
                    .forEach(m ->
                            link(member.room(), m.room(), member.protocol()).ifPresent(links::add));
        }
        return links.stream().max((a, b) -> Double.compare(a.marginDecibels(), b.marginDecibels()));
    }

    private String best(Member member, List<Member> members) {
        Optional<Link> link = nearest(member, members, hops(members));
        return link.map(l -> String.format(
                        Locale.ROOT,
                        "the nearest that has a way is %s away: %.1f\u2009dB too little.",
                        between(l),
                        -l.marginDecibels()))
                .orElse("nothing of its network is in reach.");
    }

    private static String between(Link link) {
        return String.format(
                Locale.ROOT,
                "%.0f\u2009m, %d %s and %d %s",
                link.metres(),
                link.walls(),
                link.walls() == 1 ? "wall" : "walls",
                link.floors(),
                link.floors() == 1 ? "floor" : "floors");
    }
}
