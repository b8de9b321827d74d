package ivesk.server.series;

import ivesk.core.series.Gags;
import ivesk.core.series.Masi;
import ivesk.core.series.Scores;
import ivesk.core.skin.Zone;
import ivesk.server.app.Audit;
import ivesk.server.app.BadInput;
import ivesk.server.app.May;
import ivesk.server.app.Right;
import ivesk.server.app.StatelessQuestion;
import ivesk.server.client.ClientStore;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/// Scores, and a client over time.
@RestController
@RequestMapping("/api")
class ProgressController {
  private final ProgressService progress;
  private final ScoreStore scores;
  private final ClientStore clients;
  private final Audit audit;
  private final Clock clock;

  ProgressController(
      ProgressService progress, ScoreStore scores, ClientStore clients, Audit audit, Clock clock) {
    this.progress = progress;
    this.scores = scores;
    this.clients = clients;
    this.audit = audit;
    this.clock = clock;
  }

  @May(Right.RECORD)
  @GetMapping("/clients/{id}/progress")
  ProgressView progress(@PathVariable UUID id, Principal who) {
    clients.get(id);
    audit.noteOnce(who.getName(), "read progress", id);
    return progress.of(id);
  }

  /// The same as a table (RFC 4180).
  @May(Right.RECORD)
  @GetMapping(path = "/clients/{id}/progress.csv", produces = "text/csv")
  ResponseEntity<String> table(@PathVariable UUID id, Principal who) {
    clients.get(id);
    audit.note(who.getName(), "export progress", id);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("progress.csv").build().toString())
        .contentType(MediaType.parseMediaType("text/csv; charset=utf-8"))
        .body(ProgressCsv.of(progress.of(id)));
  }

  /// @param version that was read; 0 for a day without scores
  record ScoresSaved(ScoreSheet sheet, int version) {}

  /// Scores of a day; empty ones take the day out.
  @May(Right.TREAT)
  @PutMapping("/clients/{id}/scores/{on}")
  @Transactional
  ProgressView save(
      @PathVariable UUID id,
      @PathVariable LocalDate on,
      @RequestBody ScoresSaved body,
      Principal who) {
    LocalDate born = clients.get(id).dateOfBirth();
    if (on.isAfter(LocalDate.now(clock)) || on.isBefore(born)) {
      throw new BadInput("on", "scored on " + on + "; allowed is a day up to today");
    }
    Scores read = BadInput.in("sheet", () -> body.sheet().scores());
    if (read.isEmpty()) {
      scores.remove(id, on);
    } else {
      scores.save(
          id,
          new ScoreStore.Kept(on, body.sheet(), body.version(), who.getName()),
          clock.instant());
    }
    audit.note(who.getName(), "scores of " + on, id);
    return progress.of(id);
  }

  /// What scores come to, nothing saved.
  @May(Right.KNOW)
  @StatelessQuestion
  @PostMapping("/scores")
  ProgressView.ScoreTotals totals(@RequestBody ScoreSheet sheet) {
    return ProgressView.ScoreTotals.of(BadInput.in("sheet", sheet::scores));
  }

  /// @param zone of the face map; empty for what is not on the face
  record ScorePlace(String id, String label, double weight, Optional<Zone> zone) {}

  record ScoreStep(String id, String label) {}

  /// @param masi places with their weight
  /// @param gags places with their factor
  /// @param areas what the grades of an area mean, 0 to 6
  /// @param darkness 0 to 4
  /// @param lesions 0 to 4
  record ScoreWords(
      List<ScorePlace> masi,
      List<ScorePlace> gags,
      List<String> areas,
      List<String> darkness,
      List<String> lesions,
      List<ScoreStep> improvement) {}

  /// Each item of the scores, explained.
  @May(Right.KNOW)
  @GetMapping("/words/scores")
  ScoreWords words() {
    return new ScoreWords(
        Arrays.stream(Masi.Place.values())
            .map(place ->
                new ScorePlace(
                    place.name(), place.label(), place.weight(), Optional.of(place.zone())))
            .toList(),
        Arrays.stream(Gags.Place.values())
            .map(place -> new ScorePlace(place.name(), place.label(), place.factor(), place.zone()))
            .toList(),
        List.of(
            "none",
            "under 10 %",
            "10 to 29 %",
            "30 to 49 %",
            "50 to 69 %",
            "70 to 89 %",
            "90 % and more"),
        List.of("absent", "slight", "mild", "marked", "severe"),
        List.of("none", "comedone", "papule", "pustule", "nodule"),
        Arrays.stream(Scores.Improvement.values())
            .map(step -> new ScoreStep(step.name(), step.label()))
            .toList());
  }
}
