package org.hiddenclerk.app;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * Settings of the application.
 *
 * @param demo           load the demo house and its login at start
 * @param bodyLimitBytes largest request body that is read
 * @param photoLimitBytes largest photo that is read
 */
@ConfigurationProperties("clerk")
public record ClerkProperties(boolean demo, long bodyLimitBytes, long photoLimitBytes, long jobFileLimitBytes) {}
