package org.mapsel.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ResponseBody;

/** Every place of the front end has an address of its own; all of them are one document. */
@Hidden
@Controller
class PagesController {

  /** Answers as soon as requests are taken; the start command waits for it. */
  @ResponseBody
  @GetMapping("/api/ready")
  String ready() {
    return "ready";
  }

  @GetMapping({"/", "/services/**", "/apps/**", "/open/**"})
  String page() {
    return "forward:/index.html";
  }
}
