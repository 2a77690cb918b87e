#include "desktop/place/canvas_form.h"

#include <QRegularExpression>

#include "core/edit/screen_edits.h"
#include "core/edit/settings_edit.h"
#include "desktop/view/typed_number.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"

namespace bristle {
namespace {

constexpr double kFinest = 1, kCoarsest = 4000;  // px of a grid

QString listOf(const std::vector<Guide>& guides, bool upright) {
  QStringList out;
  for (const Guide& guide : guides)
    if (guide.upright == upright) out << QString::number(guide.at);
  return out.join(QStringLiteral(", "));
}

}  // namespace

CanvasForm::CanvasForm(Work& work) : work_(work) {
  heading(tr("GRID AND GUIDES"));
  grid_ = text(tr("Grid"), [this](const QString& typed) { return setGrid(typed); });
  grid_->setToolTip(tr("px across × px down, for example 8 × 8"));
  x_ = text(tr("Guides at x"), [this](const QString& typed) { return setGuides(true, typed); });
  y_ = text(tr("Guides at y"), [this](const QString& typed) { return setGuides(false, typed); });
  for (QLineEdit* field : {x_, y_}) {
    field->setPlaceholderText(tr("none"));
    field->setToolTip(tr("px, separated by commas; sums may be typed. Or drag out of a ruler"));
  }
  locked_ = check(tr("Guides locked"), [this](bool on) {
    if (work_.screen())
      work_.perform(changeScreen(work_.screen()->id, on ? "lock guides" : "unlock guides", {},
                                 [on](Screen& s) { s.guidesLocked = on; }));
  });
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

bool CanvasForm::setGrid(const QString& typed) {
  static const QRegularExpression kBetween(QStringLiteral(R"(\s*[x×*,]\s*)"));
  QString bare = typed;
  bare.remove(QStringLiteral("px"));
  const QStringList parts = bare.trimmed().split(kBetween);
  const auto across = typedNumber(parts.front());
  const auto down = parts.size() > 1 ? typedNumber(parts[1]) : across;
  const auto well = [](std::optional<double> v) { return v && *v >= kFinest && *v <= kCoarsest; };
  if (parts.size() > 2 || !well(across) || !well(down)) {
    work_.tell(tr("expected a grid of %1 to %2 px, for example 8 × 8").arg(kFinest).arg(kCoarsest),
               true);
    return false;
  }
  return work_.perform(changeSettings("change grid", [&](Settings& settings) {
    settings.gridWidth = *across;
    settings.gridHeight = *down;
  }));
}

bool CanvasForm::setGuides(bool upright, const QString& typed) {
  if (!work_.screen()) return false;
  std::vector<Guide> guides;
  for (const Guide& guide : work_.screen()->guides)
    if (guide.upright != upright) guides.push_back(guide);
  for (const QString& each : typed.split(QLatin1Char(','), Qt::SkipEmptyParts)) {
    if (each.trimmed().isEmpty()) continue;
    const auto at = typedNumber(each, QStringLiteral("px"));
    if (!at || std::abs(*at) > 1e6) {
      work_.tell(tr("expected places in px, separated by commas; “%1” is none").arg(each.trimmed()),
                 true);
      return false;
    }
    guides.push_back({upright, *at});
  }
  return work_.perform(changeScreen(work_.screen()->id, "change guides", {},
                                    [&](Screen& screen) { screen.guides = guides; }));
}

void CanvasForm::refresh() {
  const Screen* screen = work_.screen();
  setEnabled(screen != nullptr);
  if (!screen) return;
  const Settings& settings = work_.project().settings;
  refill(grid_, tr("%1 × %2 px").arg(settings.gridWidth).arg(settings.gridHeight));
  refill(x_, listOf(screen->guides, true));
  refill(y_, listOf(screen->guides, false));
  refill(locked_, screen->guidesLocked);
}

}  // namespace bristle
