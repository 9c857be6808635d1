package org.mapsel.standins;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.webservices.autoconfigure.WebServicesAutoConfiguration;

/** The simulated services of the demo scenario, all in one process. */
@SpringBootApplication(exclude = WebServicesAutoConfiguration.class)
public class StandIns {

  public static void main(String[] arguments) {
    SpringApplication.run(StandIns.class, arguments);
  }
}
