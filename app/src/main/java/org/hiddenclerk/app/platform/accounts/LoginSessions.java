package org.hiddenclerk.app.platform.accounts;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Service;

/** Where somebody is logged in. A session is told by a hash of its id: who reads the list cannot take it over. */
@Service
class LoginSessions {
    static final String DEVICE = "device";
    static final String ADDRESS = "address";
    private static final int SHOWN = 16;

    private final FindByIndexNameSessionRepository<? extends Session> sessions;

    LoginSessions(FindByIndexNameSessionRepository<? extends Session> sessions) {
        this.sessions = sessions;
    }

    /** @param device browser and system as they say of themselves */
    record Login(String id, Instant since, Instant lastUsed, String device, String address) {}

    List<Login> of(String account) {
        return sessions.findByPrincipalName(account).values().stream()
                .filter(session -> !session.isExpired())
                .map(session -> new Login(
                        shown(session.getId()),
                        session.getCreationTime(),
                        session.getLastAccessedTime(),
                        text(session, DEVICE),
                        text(session, ADDRESS)))
                .sorted(Comparator.comparing(Login::lastUsed).reversed())
                .toList();
    }

    void end(String account, String shown) {
        String id = sessions.findByPrincipalName(account).keySet().stream()
                .filter(key -> shown(key).equals(shown))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("login"));
        sessions.deleteById(id);
    }

    void endAll(String account) {
        sessions.findByPrincipalName(account).keySet().forEach(sessions::deleteById);
    }

    void endOthers(String account, String own) {
        sessions.findByPrincipalName(account).keySet().stream()
                .filter(id -> !id.equals(own))
                .forEach(sessions::deleteById);
    }

    static String shown(String sessionId) {
        return Secrets.hash(sessionId).substring(0, SHOWN);
    }

    private static String text(Session session, String name) {
        return session.<String>getAttributeOrDefault(name, "");
    }

    /** Browser and system, from what a browser says of itself; a guess that is good enough to tell one's own devices apart. */
    static String device(String agent) {
        String lower = agent.toLowerCase(Locale.ROOT);
        // In this order: many claim to be others too.
        Map<String, String> browsers =
                Map.of("edg/", "Edge", "firefox/", "Firefox", "chrome/", "Chromium", "safari/", "Safari");
        String browser = List.of("edg/", "firefox/", "chrome/", "safari/").stream()
                .filter(lower::contains)
                .findFirst()
                .map(browsers::get)
                .orElse("Other program");
        Map<String, String> systems = Map.of(
                "android", "Android", "iphone", "iPhone", "ipad", "iPad", "windows", "Windows", "mac os", "Mac",
                "linux", "Linux");
        String system = List.of("android", "iphone", "ipad", "windows", "mac os", "linux").stream()
                .filter(lower::contains)
                .findFirst()
                .map(systems::get)
                .orElse("");
        return system.isEmpty() ? browser : browser + ", " + system;
    }
}
