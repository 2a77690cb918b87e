#include <fmt/format.h>

#include <QPainter>
#include <map>

#include "core/derive/formula_names.h"
#include "deliver/spec_sections.h"
#include "paint/convert.h"
#include "paint/machine_graph.h"
#include "runtime/machine/easing.h"

namespace bristle {
namespace {

constexpr double kGraphWide = 860;  // px
const QColor kInk(36, 33, 30), kBand(222, 215, 204), kTile(255, 255, 255), kTeal(15, 110, 110);

QImage canvas(double w, double h) {
  QImage out(int(w * kFigureSharp), int(h * kFigureSharp), QImage::Format_RGB32);
  out.fill(Qt::white);
  return out;
}

QPainter& begun(QPainter& p) {
  p.setRenderHint(QPainter::Antialiasing);
  p.scale(kFigureSharp, kFigureSharp);
  QFont font = p.font();
  font.setPixelSize(12);
  p.setFont(font);
  return p;
}

// “1”, “2, 5”: the rows of the table that a stroke stands for.
QString numbersOf(const MachineLink& link) {
  QStringList out;
  for (const int t : link.transitions) out << QString::number(t + 1);
  return out.join(QStringLiteral(", "));
}

// On its stroke, at its middle or, where something is in the way there, further on or back.
QRectF slipOf(const QPainterPath& stroke, double wide, const std::vector<QRectF>& taken) {
  QRectF slip(0, 0, wide + 10, 17);
  for (const double at : {0.5, 0.35, 0.65, 0.25, 0.75, 0.15, 0.85}) {
    // The outline goes there and comes back.
    slip.moveCenter((stroke.pointAtPercent(at / 2) + stroke.pointAtPercent(1 - at / 2)) / 2);
    const bool free = std::none_of(taken.begin(), taken.end(),
                                   [&](const QRectF& other) { return other.intersects(slip); });
    if (free) return slip;
  }
  slip.moveCenter((stroke.pointAtPercent(0.25) + stroke.pointAtPercent(0.75)) / 2);
  return slip;
}

void paintSlip(QPainter& p, const QRectF& slip, const QString& words) {
  p.setPen(QPen(kTeal, 1));
  p.setBrush(Qt::white);
  p.drawRoundedRect(slip, 4, 4);
  p.setPen(kInk);
  p.drawText(slip, Qt::AlignCenter, words);
}

QImage graphOf(const Machine& machine) {
  const double high = 90 + 130 * MachineGraph(machine, {}).rows();
  const MachineGraph graph(machine, {kGraphWide, high});
  QImage out = canvas(kGraphWide, high);
  QPainter p(&out);
  begun(p);
  p.setPen(Qt::NoPen);
  p.setBrush(kBand);
  const QRectF rail = graph.tileOf({});
  p.drawRoundedRect(rail, 6, 6);
  p.setPen(kInk);
  p.drawText(rail.adjusted(10, 0, -10, 0), Qt::AlignLeft | Qt::AlignVCenter,
             QStringLiteral("from every state"));
  const auto links = graph.links();
  p.setPen(Qt::NoPen);
  p.setBrush(kInk);
  for (const MachineLink& link : links) p.drawPath(graph.strokeOf(link.from, link.to));
  for (const State& s : machine.states) {
    const QRectF tile = graph.tileOf(s.id);
    p.setPen(QPen(kInk, 1));
    p.setBrush(kTile);
    p.drawRoundedRect(tile, 6, 6);
    const QString name =
        p.fontMetrics().elidedText(toQt(s.name), Qt::ElideRight, int(tile.width() - 10));
    p.drawText(tile.adjusted(0, 0, 0, -tile.height() / 2 + 8), Qt::AlignHCenter | Qt::AlignBottom,
               name);
    p.setPen(QColor(85, 80, 74));
    p.drawText(
        tile.adjusted(0, tile.height() / 2 + 8, 0, 0), Qt::AlignHCenter | Qt::AlignTop,
        s.role == Role::None ? QStringLiteral("own state") : toQt(std::string(nameOf(s.role))));
  }
  std::vector<QRectF> taken;
  for (const State& s : machine.states) taken.push_back(graph.tileOf(s.id));
  for (const MachineLink& link : links) {
    const QString words = numbersOf(link);
    taken.push_back(slipOf(graph.strokeOf(link.from, link.to),
                           p.fontMetrics().horizontalAdvance(words), taken));
    paintSlip(p, taken.back(), words);
  }
  return out;
}

// How far it has come, upwards, over time, to the right.
QImage curveOf(const Easing& easing) {
  QImage out = canvas(150, 110);
  QPainter p(&out);
  begun(p);
  const QRectF box(10, 26, 130, 64);
  p.setPen(QPen(kBand, 1));
  p.drawLine(box.bottomLeft(), box.bottomRight());
  p.drawLine(box.topLeft(), box.topRight());
  QPolygonF line;
  for (int i = 0; i <= 260; ++i)
    line << QPointF(box.left() + box.width() * i / 260,
                    box.bottom() - box.height() * ease(easing, i / 260.0));
  p.setPen(QPen(kTeal, 2));
  p.setClipRect(QRectF(0, 0, 150, 110));
  p.drawPolyline(line);
  return out;
}

std::string eventWords(const Transition& t) {
  std::string out(nameOf(t.on));
  if (t.on == Event::After) out += " " + msWords(t.after);
  if (t.on == Event::Message) out += " “" + t.message + "”";
  return out;
}

std::string stateName(const Machine& machine, const StateId& id) {
  const State* state = findState(machine, id);
  return state ? state->name : "not there: " + id.text;
}

std::string effectWords(const Project& project, const Effect& e) {
  switch (e.type) {
    case EffectType::Activate:
      return "activates";
    case EffectType::Message:
      return "tells “" + e.message + "”";
    case EffectType::Sound:
      return fmt::format("plays {} at {:.0f} %", e.file, 100 * e.volume);
    case EffectType::SetValue: {
      const ProjectValue* value = find(project, e.value);
      return fmt::format("sets {} to {}", value ? value->name : e.value.text,
                         withNames(project, e.formula));
    }
  }
  return {};
}

std::string timingWords(const Timing& t) {
  std::string out = t.easing.type == EasingType::Spring ? "spring" : msWords(t.duration);
  if (t.delay > 0) out += ", after " + msWords(t.delay);
  return out + ", " + toText(t.easing);
}

void addTransitions(const Project& project, const Machine& machine, SpecSection& out) {
  out.head = {"No.", "From", "On", "Only if", "To", "Timing", "Effects"};
  const Naming names = naming(project);
  for (size_t i = 0; i < machine.transitions.size(); ++i) {
    const Transition& t = machine.transitions[i];
    std::string timing = timingWords(settledTiming(t.timing.value_or(machine.timing), names));
    for (const PropTiming& own : t.propTimings)
      timing +=
          fmt::format("; {}: {}", labelOf(own.prop), timingWords(settledTiming(own.timing, names)));
    std::string effects;
    for (const Effect& e : t.effects)
      effects += (effects.empty() ? "" : "; ") + effectWords(project, e);
    out.rows.push_back(
        {std::to_string(i),
         {std::to_string(i + 1), t.from ? stateName(machine, *t.from) : "every state",
          eventWords(t), withNames(project, t.guard), stateName(machine, t.to), timing, effects}});
  }
}

std::string firesWords(const Machine& machine) {
  switch (machine.fires) {
    case Fires::Release:
      return "Activates when a press ends on it";
    case Fires::Press:
      return "Activates when a press begins";
    case Fires::Hold:
      return "Activates when a press has lasted " + msWords(machine.hold);
    case Fires::Repeat:
      return fmt::format("Activates when a press begins, after {}, then every {}",
                         msWords(machine.repeatDelay), msWords(machine.repeatInterval));
  }
  return {};
}

}  // namespace

void specifyMachines(SpecMaking& making, SpecSections& out) {
  const Project& project = making.project;
  out.push_back({1, "machines", "Machines",
                 "How states follow one another. Numbers on the strokes are rows of the table; a "
                 "stroke is wide where it leaves. Of the transitions that answer an event the "
                 "first whose condition holds is taken, a state’s own before common ones."});
  for (const auto& machine : project.machines) {
    SpecSection section{2, machine->id.text, machine->name};
    section.text = fmt::format("{}. Opens in “{}”.", firesWords(*machine),
                               machine->states.empty() ? "" : machine->states.front().name);
    section.figures.push_back(
        {machine->id.text + ".graph", graphOf(*machine), kGraphWide, "States and transitions"});
    std::map<std::string, Easing> easings;
    eachTiming(*machine, [&](const Timing& t) {
      const Timing settled = settledTiming(t, naming(project));
      easings.emplace(toText(settled.easing), settled.easing);
    });
    for (const auto& [words, easing] : easings)
      section.figures.push_back(
          {machine->id.text + ".easing." + words, curveOf(easing), 150,
           easing.type == EasingType::Spring
               ? fmt::format("{}, rests after {}", words, msWords(Ms(restsAfter(easing))))
               : words});
    addTransitions(project, *machine, section);
    out.push_back(std::move(section));
    if (!making.goesOn()) return;
  }
}

}  // namespace bristle
