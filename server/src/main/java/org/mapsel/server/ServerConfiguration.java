package org.mapsel.server;

import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Things that belong to no single feature. */
@Configuration
class ServerConfiguration {

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }
}
