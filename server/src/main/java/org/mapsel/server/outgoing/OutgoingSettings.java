package org.mapsel.server.outgoing;

import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.util.unit.DataSize;

/** Limits of calls to services. */
@ConfigurationProperties("mapsel.outgoing")
record OutgoingSettings(
    Duration connectTimeout,
    Duration answerTimeout,
    DataSize maxAnswer,
    int connectionsPerHost,
    int waitingPerHost) {}
