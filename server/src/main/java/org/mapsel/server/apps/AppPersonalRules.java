package org.mapsel.server.apps;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.mapsel.core.message.PersonalData;
import org.mapsel.core.model.PersonalFields;
import org.mapsel.core.page.App;
import org.mapsel.core.service.Service;
import org.mapsel.server.samples.KnownEditions;
import org.mapsel.server.samples.PersonalRules;
import org.springframework.stereotype.Component;

/** A field is personal for the whole workspace as soon as the model of one app says so. */
@Component
class AppPersonalRules implements PersonalRules {

  private final AppStore apps;
  private final KnownEditions editions;

  /** By service, as long as no app changes. */
  private volatile Map<String, PersonalData> known = new ConcurrentHashMap<>();

  AppPersonalRules(AppStore apps, KnownEditions editions) {
    this.apps = apps;
    this.editions = editions;
  }

  /** Says that some app is another one now. */
  void forget() {
    known = new ConcurrentHashMap<>();
  }

  @Override
  public PersonalData of(String service) {
    // Whoever begins to read before a change writes into what is forgotten by it.
    Map<String, PersonalData> here = known;
    PersonalData found = here.get(service);
    if (found == null) {
      found = read(service);
      here.put(service, found);
    }
    return found;
  }

  private PersonalData read(String service) {
    PersonalData all = PersonalData.NONE;
    for (StoredApp kept : apps.all()) {
      App app = kept.app();
      if (PersonalFields.areIn(app.model())) {
        for (App.ServiceUse use : app.services()) {
          if (use.service().equals(service)) {
            all =
                all.and(
                    editions
                        .service(use.edition())
                        .map(described -> of(app, service, described))
                        .orElse(PersonalData.NONE));
          }
        }
      }
    }
    return all;
  }

  private static PersonalData of(App app, String service, Service described) {
    PersonalFields personal = PersonalFields.of(app.model(), service, described.shapes());
    return new PersonalData(personal.wire(), personal.fields());
  }
}
