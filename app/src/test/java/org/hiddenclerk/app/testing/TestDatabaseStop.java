package org.hiddenclerk.app.testing;

import org.junit.platform.launcher.LauncherSession;
import org.junit.platform.launcher.LauncherSessionListener;

/** Stops the test database when the tests are over. */
public class TestDatabaseStop implements LauncherSessionListener {
    @Override
    public void launcherSessionClosed(LauncherSession session) {
        TestDatabase.stopIfRunning();
    }
}
