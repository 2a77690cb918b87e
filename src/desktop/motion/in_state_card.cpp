#include "desktop/motion/in_state_card.h"

#include <QVBoxLayout>

#include "core/edit/motion_edits.h"
#include "desktop/motion/timeline_view.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {
constexpr double kMostPeriod = 600'000;
}

InStateCard::InStateCard(Work& work, MotionView& view) : work_(work), view_(view) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  form_ = new Form;
  column->addWidget(form_);
  column->addStretch();
  build();
  buildFrame();
  new WhileSeen(work, this, [this] { refresh(); });
  connect(&view, &MotionView::picked, this, &InStateCard::refresh);
  refresh();
}

void InStateCard::build() {
  head_ = form_->heading(tr("MOTION WHILE A STATE LASTS"));
  state_ = form_->choice(tr("State"), {}, [this](int i) {
    if (i >= 0 && size_t(i) < states_.size()) view_.pickState(states_[size_t(i)]);
  });
  part_ = form_->choice(tr("Part"), {}, [this](int) { refresh(); });
  part_->setAccessibleName(tr("Part that moves"));
  QStringList names{tr("choose …")};
  for (const Flourish f : allFlourishes()) names << toQt(std::string(nameOf(f)));
  begin_ = form_->choice(tr("Begin with"), names, [this](int i) {
    if (i > 0) begin(i - 1);
  });
  property_ = form_->choice(tr("Add track"), {}, [this](int i) {
    if (i > 0) addTrack(i - 1);
  });
  about_ = form_->note(QString());
  period_ = form_->number(
      tr("Period"), 10, kMostPeriod,
      [this](double ms) {
        return change("change period", [ms](StateMotion& m) { m.period = Ms(ms); });
      },
      QStringLiteral("ms"));
  count_ = form_->number(tr("Repetitions"), 0, 1000, [this](double n) {
    return change("change count", [n](StateMotion& m) { m.count = int(n); });
  });
  count_->setToolTip(tr("0: as long as the state lasts"));
  delay_ = form_->number(
      tr("Delay"), 0, kMostPeriod,
      [this](double ms) {
        return change("change delay", [ms](StateMotion& m) { m.delay = Ms(ms); });
      },
      QStringLiteral("ms"));
}

void InStateCard::buildFrame() {
  frameHead_ = form_->heading(QString());
  at_ = form_->number(
      tr("Time"), 0, kMostPeriod,
      [this](double ms) {
        const StateMotion* m = motion();
        return m && ms <= double(m->period) &&
               changeFrame("move key frame", [&](KeyFrame& f) { f.at = ms / double(m->period); });
      },
      QStringLiteral("ms"));
  add_ = form_->number(tr("Added value"), -1e6, 1e6, [this](double v) {
    return changeFrame("change key frame", [v](KeyFrame& f) { f.add = v; });
  });
  easing_ = form_->text(tr("Easing"), [this](const QString& text) {
    const auto easing = parseEasing(fromQt(text));
    return easing && changeFrame("change easing", [&](KeyFrame& f) { f.easing = *easing; });
  });
  easing_->setToolTip(
      tr("To the next one: linear, bezier x1 y1 x2 y2, steps n, spring period damping"));
  remove_ = form_->button(tr("Nothing moves in this state"), [this] {
    if (work_.kind())
      work_.perform(setMotion(work_.kind()->id, view_.stirred(), {}, "remove motion"));
  });
}

const StateMotion* InStateCard::motion() const {
  const Kind* kind = work_.kind();
  if (!kind) return nullptr;
  const auto at = kind->motions.find(view_.stirred());
  return at == kind->motions.end() ? nullptr : &at->second;
}

bool InStateCard::change(const std::string& name, const std::function<void(StateMotion&)>& change) {
  StateMotion next = motion() ? *motion() : StateMotion{};
  change(next);
  return work_.kind() &&
         work_.perform(setMotion(work_.kind()->id, view_.stirred(), std::move(next), name));
}

bool InStateCard::changeFrame(const std::string& name, const std::function<void(KeyFrame&)>& each) {
  return change(name, [&](StateMotion& m) {
    const auto row = static_cast<size_t>(view_.track()), i = static_cast<size_t>(view_.frame());
    if (row < m.tracks.size() && i < m.tracks[row].frames.size()) each(m.tracks[row].frames[i]);
  });
}

PartId InStateCard::part() const {
  const int i = part_->currentIndex();
  return i >= 0 && size_t(i) < parts_.size() ? parts_[size_t(i)] : PartId{};
}

// Comes to what is there already; its own track of the same property is replaced.
void InStateCard::begin(int which) {
  const StateMotion ready = flourish(allFlourishes()[size_t(which)], part());
  const bool done = change("begin a motion", [&](StateMotion& m) {
    if (m.tracks.empty()) {
      m = ready;
      return;
    }
    std::erase_if(m.tracks, [&](const MotionTrack& t) { return t.key == ready.tracks[0].key; });
    m.tracks.push_back(ready.tracks[0]);
  });
  if (!done) return;
  view_.pickFrame(int(motion()->tracks.size()) - 1, 1);
  view_.setTime(0);
  view_.setPlaying(true);
}

void InStateCard::addTrack(int index) {
  if (size_t(index) >= props_.size()) return;
  const PropKey key{part(), props_[size_t(index)]};
  if (change("add a track", [&](StateMotion& m) {
        m.tracks.push_back({key, {{0, 0, {}}, {1, 0, {}}}});
      }))
    view_.pickFrame(int(motion()->tracks.size()) - 1, 0);
}

void InStateCard::refresh() {
  const Kind* kind = work_.kind();
  const Machine* machine = work_.machine();
  form_->setVisible(kind && machine);
  if (!kind || !machine) return;
  const StateMotion* m = motion();
  states_.clear();
  state_->clear();
  for (const State& s : machine->states) {
    states_.push_back(s.id);
    state_->addItem(toQt(s.name) + (kind->motions.contains(s.id) ? tr(" · moves") : QString()));
    if (s.id == view_.stirred()) refill(state_, state_->count() - 1);
  }
  const PartId was = part();
  parts_ = {PartId{}};
  part_->clear();
  part_->addItem(tr("the whole button"));
  for (const Part& p : kind->parts) {
    parts_.push_back(p.id);
    part_->addItem(toQt(p.name));
    if (p.id == was) refill(part_, part_->count() - 1);
  }
  props_.clear();
  property_->clear();
  property_->addItem(tr("choose …"));
  for (const PropertyInfo& info : propertiesOf(*partType(*kind, part()))) {
    const PropKey key{part(), info.prop};
    const bool there = m && std::any_of(m->tracks.begin(), m->tracks.end(),
                                        [&](const MotionTrack& t) { return t.key == key; });
    if (!std::holds_alternative<double>(info.start) || there) continue;
    props_.push_back(info.prop);
    property_->addItem(toQt(std::string(info.label)));
  }
  refill(begin_, 0);
  for (QLineEdit* field : {period_, count_, delay_}) form_->setRowVisible(field, m);
  remove_->setVisible(m);
  about_->setText(!m ? tr("A motion is added to what the state shows; 0 at its start and end "
                          "keeps it from jumping.")
                  : m->count == 0 ? tr("As long as the state lasts.")
                  : m->count == 1 ? tr("Once, when the state is entered.")
                                  : tr("%1 times, when the state is entered.").arg(m->count));
  const MotionTrack* track =
      m && size_t(view_.track()) < m->tracks.size() ? &m->tracks[size_t(view_.track())] : nullptr;
  const KeyFrame* frame = track && size_t(view_.frame()) < track->frames.size()
                              ? &track->frames[size_t(view_.frame())]
                              : nullptr;
  frameHead_->setVisible(frame);
  for (QLineEdit* field : {at_, add_, easing_}) form_->setRowVisible(field, frame);
  if (m) {
    refill(period_, QString::number(m->period));
    refill(count_, QString::number(m->count));
    refill(delay_, QString::number(m->delay));
  }
  if (!frame) return;
  frameHead_->setText(tr("KEY FRAME %1 OF %2")
                          .arg(view_.frame() + 1)
                          .arg(nameOfTrack(*kind, track->key).toUpper()));
  refill(at_, QString::number(std::lround(frame->at * double(m->period))));
  refill(add_, QString::number(frame->add));
  refill(easing_, toQt(toText(frame->easing)));
}

}  // namespace bristle
