package org.hiddenclerk.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;

/** The application: API, persistence, security and the interface's static files. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class ClerkApplication {
    public static void main(String[] args) {
        SpringApplication.run(ClerkApplication.class, args);
    }
}
