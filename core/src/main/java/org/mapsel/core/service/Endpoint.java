package org.mapsel.core.service;

import org.mapsel.core.ref.EndpointId;

/** One address with one protocol. */
public record Endpoint(EndpointId id, Protocol protocol, String address) {}
