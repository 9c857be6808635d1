package org.mapsel.core.testing;

import java.time.Instant;
import org.mapsel.core.call.Caller;
import org.mapsel.core.finding.Outcome;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Stamp;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/** Requests of one fixed moment, with nobody in particular calling. */
public final class Requests {

  public static final Stamp STAMP =
      new Stamp(
          Instant.parse("2031-05-14T06:40:00Z"),
          "00000000-0000-4000-8000-000000000000",
          new byte[] {1, 2, 3, 4});

  private Requests() {}

  public static Outcome<Request> make(
      Service service, Operation operation, EndpointId endpoint, RecordValue values) {
    return Caller.request(service, operation, endpoint, values, Access.NONE, STAMP);
  }
}
