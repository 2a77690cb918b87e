#include "desktop/shape/readings.h"

#include <QWidget>

#include "desktop/shape/tile_view.h"
#include "desktop/work/work.h"

namespace bristle {
namespace {

constexpr int kReadAfter = 60;  // ms: a scrubbed value is measured when it rests

}  // namespace

Readings::Readings(Work& work, TileView& view, QWidget* sight)
    : QObject(sight), work_(work), view_(view), sight_(sight) {
  soon_.setSingleShot(true);
  soon_.setInterval(kReadAfter);
  connect(&soon_, &QTimer::timeout, this, &Readings::measure);
  const auto again = [this] {
    if (sight_->isVisible()) soon_.start();
  };
  connect(&work, &Work::changed, this, again);
  connect(&work, &Work::pickedChanged, this, again);
  connect(&view, &TileView::changed, this, again);
  sight->installEventFilter(this);  // measured once it has been seen: the first frame goes first
}

bool Readings::eventFilter(QObject* watched, QEvent* event) {
  if (watched == sight_ && event->type() == QEvent::Show) soon_.start();
  return QObject::eventFilter(watched, event);
}

const CaptionContrast* Readings::of(const Column& column) const {
  const auto at = found_.find(column);
  return at == found_.end() ? nullptr : &at->second;
}

double Readings::wanted(const Column& column) const {
  const Machine* machine = work_.machine();
  const State* state = column && machine ? findState(*machine, *column) : nullptr;
  if (state && state->role == Role::Disabled) return 0;
  const Look* shown = look(column);
  return shown ? wantedContrast(*work_.kind(), *work_.lookTable(), *shown) : 0;
}

bool Readings::weak(const Column& column) const {
  const CaptionContrast* found = of(column);
  return found && found->ratio < wanted(column);
}

const Look* Readings::look(const Column& column) const {
  const Machine* machine = work_.machine();
  const auto table = work_.lookTable();
  if (!machine || !table) return nullptr;
  for (size_t i = 0; column && i < machine->states.size(); ++i)
    if (machine->states[i].id == *column) return &table->state(StateIndex(i));
  return &table->base();
}

std::optional<CaptionContrast> Readings::measured(const Column& column) const {
  const Kind* kind = work_.kind();
  const Look* shown = look(column);
  if (!kind || !shown) return {};
  return captionContrast(work_.looks(), *kind, *shown, kind->sampleCaption, view_.behind());
}

void Readings::measure() {
  if (!sight_->isVisible()) return;
  found_.clear();
  std::vector<Column> columns{Column{}};
  if (const Machine* machine = work_.machine())
    for (const State& state : machine->states) columns.push_back(state.id);
  for (const Column& column : columns)
    if (const auto one = measured(column)) found_[column] = *one;
  Q_EMIT changed();
}

}  // namespace bristle
