package org.mapsel.server.samples;

import org.mapsel.core.message.PersonalData;

/** What of the messages of services tells of persons, and is not kept where they are recorded. */
public interface PersonalRules {

  /** Those of a service, as they are now. */
  PersonalData of(String service);
}
