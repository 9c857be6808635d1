package org.mapsel.server.memory;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.task.TaskDecorator;

/** What runs by itself is a piece of work each time. */
@Configuration
class LargeWorkConfiguration {

  @Bean
  TaskDecorator eachIsAPieceOfWork(LargeWork work) {
    return task ->
        () -> {
          LargeWork.Share share = work.begin();
          try {
            task.run();
          } finally {
            share.end();
          }
        };
  }
}
