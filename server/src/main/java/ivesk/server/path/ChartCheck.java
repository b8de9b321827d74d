package ivesk.server.path;

import ivesk.server.aftercare.ContactService;
import ivesk.server.data.ArchiveCheck;
import ivesk.server.plan.PlanService;
import ivesk.server.screening.ScreeningService;
import ivesk.server.series.CourseService;
import ivesk.server.series.ProgressService;
import ivesk.server.treatment.RecordedPeels;
import ivesk.server.treatment.Treatments;
import java.util.UUID;
import org.springframework.stereotype.Component;

/// Opens each chart that a file brings something to, as its stations would.
@Component
class ChartCheck implements ArchiveCheck {
  private final ScreeningService screening;
  private final PlanService plans;
  private final Treatments treatments;
  private final RecordedPeels peels;
  private final ContactService contact;
  private final ProgressService progress;
  private final CourseService courses;
  private final VisitPath path;

  ChartCheck(
      ScreeningService screening,
      PlanService plans,
      Treatments treatments,
      RecordedPeels peels,
      ContactService contact,
      ProgressService progress,
      CourseService courses,
      VisitPath path) {
    this.screening = screening;
    this.plans = plans;
    this.treatments = treatments;
    this.peels = peels;
    this.contact = contact;
    this.progress = progress;
    this.courses = courses;
    this.path = path;
  }

  @Override
  public void treatment(UUID id) {
    treatments.live(id);
  }

  @Override
  public void visit(UUID id) {
    screening.screen(id);
    plans.readThrough(id);
    contact.readThrough(id);
  }

  @Override
  public void client(UUID id) {
    path.ofClient(id);
    peels.ofClient(id);
    progress.scored(id);
    courses.planned(id);
    courses.readThrough(id);
  }
}
