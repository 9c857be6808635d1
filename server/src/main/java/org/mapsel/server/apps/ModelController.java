package org.mapsel.server.apps;

import java.util.Locale;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.server.apps.ModelViews.CodesRequest;
import org.mapsel.server.apps.ModelViews.CodesView;
import org.mapsel.server.apps.ModelViews.DerivedPreview;
import org.mapsel.server.apps.ModelViews.DerivedRequest;
import org.mapsel.server.apps.ModelViews.ModelView;
import org.mapsel.server.apps.ModelViews.RecordDetail;
import org.mapsel.server.apps.ModelViews.TypeView;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The model of an app. */
@RestController
@RequestMapping("/api/apps/{app}")
class ModelController {

  private final ModelPlace model;

  ModelController(ModelPlace model) {
    this.model = model;
  }

  @GetMapping("/model")
  ModelView view(@PathVariable String app) {
    return model.view(app);
  }

  @GetMapping("/model/types/{type}")
  TypeView type(@PathVariable String app, @PathVariable String type, Locale locale) {
    return model.type(app, type, locale);
  }

  /** A record as formulas and rules see it. */
  @PostMapping("/records")
  RecordDetail record(@PathVariable String app, @RequestBody ShapeRef shape) {
    return model.record(app, shape);
  }

  /** The codes and words that the rows of an operation's sample have. */
  @PostMapping("/codes")
  CodesView codes(@PathVariable String app, @RequestBody CodesRequest request) {
    return model.codes(app, request);
  }

  /** What a derived field would be, before it is kept. */
  @PostMapping("/derived")
  DerivedPreview derived(
      @PathVariable String app, @RequestBody DerivedRequest request, Locale locale) {
    return model.derived(app, request, locale);
  }
}
