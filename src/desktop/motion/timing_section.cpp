#include "desktop/motion/timing_section.h"

#include <QPainter>
#include <cmath>

#include "core/laws/check.h"
#include "desktop/motion/motion_view.h"
#include "desktop/view/easing_text.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/machine/easing.h"

namespace bristle {
namespace {

constexpr double kMostTiming = 600'000;
constexpr Ms kRest = 350;  // between the ways there and back

Easing plain(EasingType type) {
  Easing out;
  out.type = type;
  if (type == EasingType::Steps) out.count = 4;
  return out;
}

Ms timeOf(const Pace& pace) {
  double most = static_cast<double>(pace.all.delay) + runTime(pace.all);
  for (const PropTiming& each : pace.own)
    most = std::max(most, static_cast<double>(each.timing.delay) + runTime(each.timing));
  return static_cast<Ms>(std::ceil(most));
}

}  // namespace

TryButton::TryButton(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  setAccessibleName(tr("The button, trying this timing"));
  setToolTip(tr("Point at it to see it again"));
  clock_.setInterval(16);
  connect(&work, &Work::changed, this, [this] { table_.reset(); });
  connect(&work, &Work::pickedChanged, this, [this] { table_.reset(); });
  connect(&clock_, &QTimer::timeout, this, [this] {
    update();
    if (since_.elapsed() > 2 * (timeOf(there_) + timeOf(back_) + 2 * kRest)) clock_.stop();
  });
}

void TryButton::tryOut(const StateId& from, const StateId& to, const Pace& there,
                       const Pace& back) {
  from_ = from;
  to_ = to;
  there_ = there;
  back_ = back;
  replay();
}

void TryButton::replay() {
  since_.start();
  if (isVisible()) clock_.start();
  update();
}

void TryButton::enterEvent(QEnterEvent*) {
  replay();
}
void TryButton::hideEvent(QHideEvent*) {
  clock_.stop();
}

void TryButton::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(Qt::NoPen);
  p.setBrush(themeOf(this).work);
  p.drawRoundedRect(rect(), 4, 4);
  const Kind* kind = work_.kind();
  const Machine* machine = work_.machine();
  if (!table_) table_ = work_.lookTable();
  const LookTable* table = table_.get();
  if (!kind || !machine || !table) return;
  const auto indexOf = [&](const StateId& id) {
    for (size_t i = 0; i < machine->states.size(); ++i)
      if (machine->states[i].id == id) return static_cast<StateIndex>(i);
    return StateIndex{0};
  };
  const StateIndex from = indexOf(from_), to = indexOf(to_);
  const Ms there = timeOf(there_) + kRest, round = there + timeOf(back_) + kRest;
  const Ms now = clock_.isActive() ? since_.elapsed() % std::max<Ms>(round, 1) : 0;
  LookPlayer player(table_, from);
  player.go(to, there_, kRest / 2);
  StateIndex state = now < kRest / 2 ? from : to;
  if (now >= there + kRest / 2) {
    player.at(there + kRest / 2);
    player.go(from, back_, there + kRest / 2);
    state = from;
  }
  const Look& look = now < kRest / 2 ? table->state(from) : player.at(now);
  const double s = std::min({1.0, (width() - 24) / kind->width, (height() - 20) / kind->height});
  p.translate(QPointF(width(), height()) / 2 - QPointF(kind->width, kind->height) * s / 2);
  p.scale(s, s);
  work_.looks().paintState(p, *kind, *table, state, look, QRectF(0, 0, kind->width, kind->height),
                           kind->sampleCaption, player.since(now));
}

TimingSection::TimingSection(Work& work, MotionView& view, Form& form)
    : QObject(&form), work_(work), view_(view), form_(form) {
  head_ = form.heading(tr("TIMING"));
  prop_ = form.choice(tr("Property"), {}, [this](int i) {
    if (i < 0 || size_t(i) >= props_.size()) return;
    picked_ = props_[size_t(i)];
    refresh();
  });
  prop_->setAccessibleName(tr("Property"));
  own_ = form.check(tr("A timing of its own"), [this](bool on) {
    if (!work_.machine()) return;
    work_.perform(on ? changeTiming(work_.machine()->id, place(), both_->isChecked(),
                                    "change timing", {}, [](Timing&) {})
                     : clearTiming(work_.machine()->id, place(), both_->isChecked()));
  });
  both_ = form.check(tr("The way back runs alike"), [this](bool on) {
    if (on) change("make the way back alike", {}, [](Timing&) {});
  });
  duration_ = form.number(
      tr("Duration"), 0, kMostTiming,
      [this](double ms) {
        return change("change duration", {}, [ms](Timing& t) {
          t.duration = Ms(ms);
          t.namedDuration = {};
        });
      },
      QStringLiteral("ms"));
  delay_ = form.number(
      tr("Delay"), 0, kMostTiming,
      [this](double ms) {
        return change("change delay", {}, [ms](Timing& t) { t.delay = Ms(ms); });
      },
      QStringLiteral("ms"));
  type_ = form.choice(tr("Easing"), {tr("linear"), tr("Bézier"), tr("steps"), tr("spring")},
                      [this](int i) { setEasing(plain(EasingType(i)), {}); });
  easing_ = easingText(work, form, [this](const Easing& easing) { setEasing(easing, {}); });
  curve_ = new CurveEditor;
  form.wide(curve_);
  connect(curve_, &CurveEditor::pulled, this,
          [this](const Easing& easing) { setEasing(easing, "curve"); });
  connect(curve_, &CurveEditor::done, this, [this] { work_.seal(); });
  rests_ = form.note(QString());
  try_ = new TryButton(work);
  form.wide(try_);
}

TimingPlace TimingSection::place() const {
  const int t = view_.transition();
  return {t < 0 ? std::nullopt : std::optional<size_t>(size_t(t)), picked_};
}

bool TimingSection::change(const std::string& name, const std::string& mergeKey,
                           const std::function<void(Timing&)>& each) {
  const Machine* m = work_.machine();
  return m && work_.perform(changeTiming(m->id, place(),
                                         both_->isVisibleTo(&form_) && both_->isChecked(), name,
                                         mergeKey, each));
}

void TimingSection::setEasing(const Easing& easing, const std::string& mergeKey) {
  change("change easing", mergeKey, [&](Timing& t) {
    t.easing = easing;
    t.namedEasing = {};
  });
}

// Everything, what has a timing of its own, and what differs between the states.
void TimingSection::refreshProps() {
  const Machine& m = *work_.machine();
  const auto table = work_.lookTable();
  props_ = {std::nullopt};
  const auto add = [&](Prop prop) {
    if (std::find(props_.begin(), props_.end(), std::optional(prop)) == props_.end())
      props_.push_back(prop);
  };
  const int t = view_.transition();
  if (t >= 0)
    for (const PropTiming& each : m.transitions[size_t(t)].propTimings) add(each.prop);
  for (const PropTiming& each : m.propTimings) add(each.prop);
  if (table)
    for (const int channel : table->varying()) add(table->channels()[size_t(channel)].prop);
  if (std::find(props_.begin(), props_.end(), picked_) == props_.end()) picked_.reset();
  prop_->clear();
  int now = 0;
  for (const auto& prop : props_) {
    if (prop == picked_) now = prop_->count();
    if (!prop) {
      prop_->addItem(tr("everything"));
      continue;
    }
    const bool own = isOwn(m, {place().transition, prop});
    prop_->addItem(toQt(std::string(labelOf(*prop))) + (own ? tr(" (own)") : QString()));
  }
  refill(prop_, now);
}

void TimingSection::refresh() {
  const Machine* machine = work_.machine();
  if (!machine) return;
  const Machine& m = *machine;
  const int shown = view_.transition();
  refreshProps();
  const TimingPlace here = place();
  const Timing timing = timingAt(m, here);
  const bool own = isOwn(m, here);
  head_->setText(here.transition ? tr("TIMING") : tr("DEFAULT TIMING"));
  own_->setVisible(here.transition || here.prop);
  refill(own_, own);
  const auto back = here.transition ? wayBack(m, *here.transition) : std::vector<size_t>();
  bool alike = !back.empty();
  for (const size_t i : back)
    alike = alike && timingAt(m, {i, here.prop}) == timing && isOwn(m, {i, here.prop}) == own;
  both_->setVisible(!back.empty());
  // Ticked once it is so; who unticks it sets the two ways apart, until another one is picked.
  if (shown != shown_) both_->setChecked(alike);
  if (!alike && !both_->hasFocus()) both_->setChecked(false);
  const bool other = shown != shown_;
  shown_ = shown;
  const bool spring = timing.easing.type == EasingType::Spring;
  form_.setRowVisible(duration_, !spring);
  refill(duration_, QString::number(timing.duration));
  refill(delay_, QString::number(timing.delay));
  refill(type_, int(timing.easing.type));
  refill(easing_, toQt(toText(timing.easing)));
  curve_->setEasing(timing.easing);
  rests_->setVisible(spring);
  if (spring) rests_->setText(tr("It rests after %1 ms.").arg(std::lround(runTime(timing))));
  if (other || tried_ != timing) tryOut();
  tried_ = timing;
}

void TimingSection::tryOut() {
  const Machine& m = *work_.machine();
  const Ready* ready = view_.ready();
  if (!ready) return;
  const auto paceOf = [&](size_t transition) {
    for (std::uint16_t i = 0; i < ready->program.transitionCount(); ++i)
      if (ready->program.transition(i).source == transition)
        return ready->program.transition(i).pace;
    return Pace{m.timing, m.propTimings};
  };
  const StateId rest = m.states.front().id;
  const int t = view_.transition();
  if (t < 0) {
    const Pace pace{m.timing, m.propTimings};
    const StateId other = m.states[m.states.size() > 1 ? 1 : 0].id;
    return try_->tryOut(rest, other, pace, pace);
  }
  const auto at = static_cast<size_t>(t);
  const auto back = wayBack(m, at);
  const Pace there = paceOf(at);
  try_->tryOut(m.transitions[at].from.value_or(rest), m.transitions[at].to, there,
               back.empty() ? there : paceOf(back.front()));
}

}  // namespace bristle
