package ivesk.server.screening;

import ivesk.core.formula.Family;
import ivesk.core.screening.answer.PatchTest.Result;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import java.security.Principal;
import java.time.Clock;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class PatchTestController {
  private final PatchTestService patchTests;
  private final Clock clock;

  PatchTestController(PatchTestService patchTests, Clock clock) {
    this.patchTests = patchTests;
    this.clock = clock;
  }

  record PatchPlaced(Set<Family> families, String site) {}

  record PatchRead(Result result) {}

  @May(Right.TREAT)
  @PostMapping("/visits/{id}/patch-tests")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void place(@PathVariable UUID id, @RequestBody PatchPlaced body, Principal who) {
    patchTests.place(id, body.families(), body.site(), clock.instant(), who.getName());
  }

  @May(Right.TREAT)
  @PostMapping("/patch-tests/{id}/reads")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void read(@PathVariable UUID id, @RequestBody PatchRead body, Principal who) {
    patchTests.read(id, body.result(), clock.instant(), who.getName());
  }
}
