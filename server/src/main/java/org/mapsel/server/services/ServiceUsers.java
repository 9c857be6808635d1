package org.mapsel.server.services;

import java.util.List;

/** Knows who uses a service; answered by those who do. */
public interface ServiceUsers {

  /** The names of the apps with a page that calls the service. */
  List<String> appsUsing(String service);
}
