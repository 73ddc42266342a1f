package org.hiddenclerk.app.testing;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.boot.webmvc.test.autoconfigure.MockMvcPrint;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.test.context.ContextConfiguration;

/** The whole application on a real MariaDB, asked through its web layer; the demo house is loaded. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(
        properties = {
            "clerk.demo=true",
            "clerk.credential-keys=target/credential-keys-${surefire.forkNumber:1}",
            "clerk.network.hurry=400",
            "clerk.network.patience-millis=1500"
        })
@AutoConfigureMockMvc(print = MockMvcPrint.NONE)
@ContextConfiguration(initializers = WithDatabase.Initializer.class)
public @interface WithDatabase {

    /** Points the application at the test database. */
    class Initializer implements ApplicationContextInitializer<ConfigurableApplicationContext> {
        @Override
        public void initialize(ConfigurableApplicationContext context) {
            context.getBeanFactory().addBeanPostProcessor(new QueryCounting());
            context.getBeanFactory().addBeanPostProcessor(new HeldClock());
            TestPropertyValues.of("spring.datasource.url=" + TestDatabase.get().url())
                    .applyTo(context);
        }
    }
}
