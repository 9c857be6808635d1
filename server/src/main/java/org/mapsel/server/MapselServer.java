package org.mapsel.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The server: API, storage and outgoing calls around the core. */
@EnableScheduling
@SpringBootApplication
@ConfigurationPropertiesScan
public class MapselServer {

  public static void main(String[] arguments) {
    SpringApplication.run(MapselServer.class, arguments);
  }
}
