#include "paint/caption_reader.h"

#include <algorithm>
#include <map>
#include <set>

#include "paint/contrast.h"
#include "paint/convert.h"
#include "paint/law_looks.h"
#include "paint/screen_parts.h"
#include "runtime/document/project.h"
#include "runtime/machine/condition.h"
#include "runtime/machine/easing.h"
#include "runtime/machine/mix.h"
#include "runtime/machine/program.h"

namespace bristle {
namespace {

constexpr double kLarge = 24, kLargeBold = 18.66;  // px (WCAG 2.2, “large scale”)
constexpr double kReadable = 3;           // of large text; what fades is not asked for more
constexpr int kMoments = 16;              // of a transition: the half-way one among them
constexpr double kMostScreenSide = 8192;  // px of a screen that is painted

// What stands behind buttons: the backdrop, panels and pictures.
QImage decorOf(LookPainter& looks, const Screen& screen, const Layout& layout) {
  QImage out(
      QSizeF(std::min(layout.width, kMostScreenSide), std::min(layout.height, kMostScreenSide))
          .toSize(),
      QImage::Format_ARGB32_Premultiplied);
  out.fill(
      Qt::black);  // an overlay without a backdrop lies on whatever it is put on: its panel counts
  QPainter p(&out);
  p.setRenderHint(QPainter::Antialiasing);
  paintBackdrop(p, screen, layout);
  const Reading reading(looks, layout.rightToLeft);
  Clipping clip(p);
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const Item& item = *screen.items[i];
    if (item.button() || item.container() || !clip.goTo(layout, layout.items[i])) continue;
    const Scaled scaled(p, layout.items[i]);
    paintDecor(p, looks, item, toQt(layout.items[i].own()));
  }
  return out;
}

bool isLarge(const LookTable& table, const Look& look, const PartId& label, double scale) {
  const int size = table.channel({label, Prop::Size}),
            weight = table.channel({label, Prop::Weight});
  const auto number = [&](int channel) {
    const auto* value = channel < 0 ? nullptr : std::get_if<double>(&look[size_t(channel)]);
    return value ? *value : 0.0;
  };
  const double px = number(size) * scale;
  return px >= kLarge || (px >= kLargeBold && number(weight) >= 700);
}

bool isUsed(const Machine& machine, StateIndex state) {
  return machine.states[state].role != Role::Disabled;  // WCAG: “inactive component”
}

// Ways between two states on which captions may be read: those that take time.
struct Way {
  StateIndex from, to;
  Pace pace;
  Ms lasts;
};
std::vector<Way> waysOf(const Project& project, const Machine& machine) {
  Symbols symbols = conditionSymbols(project);
  const auto program = Program::compile(machine, symbols, naming(project));
  std::vector<Way> out;
  if (!program) return out;
  std::set<std::pair<StateIndex, StateIndex>> known;
  for (std::uint16_t i = 0; i < program->transitionCount(); ++i) {
    const ProgramTransition& t = program->transition(i);
    double lasts = double(t.pace.all.delay) + runTime(t.pace.all);
    for (const PropTiming& each : t.pace.own)
      lasts = std::max(lasts, double(each.timing.delay) + runTime(each.timing));
    if (lasts <= 0 || !isUsed(machine, t.to)) continue;
    const auto& said = machine.transitions[t.source].from;
    for (size_t s = 0; s < machine.states.size(); ++s) {
      const auto from = static_cast<StateIndex>(s);
      if ((said && machine.states[s].id != *said) || from == t.to || !isUsed(machine, from))
        continue;
      if (known.insert({from, t.to}).second) out.push_back({from, t.to, t.pace, Ms(lasts)});
    }
  }
  return out;
}

const Part* partOf(const Kind& kind, PartType type) {
  const auto at = std::find_if(kind.parts.begin(), kind.parts.end(),
                               [&](const Part& part) { return part.type == type; });
  return at == kind.parts.end() ? nullptr : &*at;
}

// A caption; without one, an icon.
std::optional<Eyes::Caption> readAt(LookPainter& looks, const Kind& kind, const LookTable& table,
                                    const Look& look, const std::string& words,
                                    const QImage& behind, double scale) {
  Eyes::Caption out;
  std::optional<CaptionContrast> read;
  if (const Part* label = partOf(kind, PartType::Label); label && !words.empty()) {
    read = captionContrast(looks, kind, look, words, behind);
    out.part = label->id;
    out.large = isLarge(table, look, label->id, scale);
  }
  if (const Part* icon = partOf(kind, PartType::Icon); icon && !read) {
    read = iconContrast(looks, kind, look, words, behind);
    out.part = icon->id;
    out.icon = true;
  }
  if (!read) return {};
  out.ratio = read->ratio;
  out.text = read->text;
  out.behind = read->behind;
  return out;
}

class Reader {
 public:
  Reader(LookPainter& looks, LookTables& tables, const Project& project, const Screen& screen,
         const Layout& layout)
      : looks_(looks),
        tables_(tables),
        project_(project),
        screen_(screen),
        layout_(layout),
        decor_(decorOf(looks, screen, layout)) {}

  void read(size_t item, std::vector<Eyes::Caption>& out, const std::atomic<bool>* stop) {
    const ButtonData* button = screen_.items[item]->button();
    const Placed& placed = layout_.items[item];
    kind_ = button && placed.isSeen() ? find(project_, button->kind) : nullptr;
    machine_ = kind_ ? find(project_, kind_->machine) : nullptr;
    const auto table = kind_ ? tables_.get(project_, button->kind, &button->own) : nullptr;
    if (!machine_ || !table) return;
    table_ = table.get();
    item_ = item;
    words_ = wordsIn(project_, button->caption, layout_.language);
    behind_ = {};
    const bool own = !button->own.empty();
    for (size_t s = 0; s < machine_->states.size() && !(kind_->still && s > 0); ++s) {
      const auto state = static_cast<StateIndex>(s);
      if (!isUsed(*machine_, state) || (!own && standsForAll(state))) continue;
      if (auto found = at(table_->state(state))) {
        found->state = machine_->states[s].id;
        out.push_back(*found);
      }
    }
  }

 private:
  std::optional<Eyes::Caption> at(const Look& look) {
    auto out = readAt(looks_, *kind_, *table_, look, words_, behind(), layout_.items[item_].scale);
    if (out) out->item = item_;
    return out;
  }

  // Whether another of the kind was looked at already, and what lies behind it cannot be seen.
  bool standsForAll(StateIndex state) {
    const auto [at, isNew] = hides_.try_emplace({kind_->id, state}, false);
    if (!isNew) return at->second;
    const auto on = [&](QColor ground) {
      QImage image(QSizeF(kind_->width, kind_->height).toSize(),
                   QImage::Format_ARGB32_Premultiplied);
      image.fill(ground);
      std::swap(behind_, image);
      const auto read = this->at(table_->state(state));
      std::swap(behind_, image);
      return read ? read->ratio : 0.0;
    };
    at->second = std::abs(on(Qt::black) - on(Qt::white)) < 0.01;
    return false;
  }

  // As large as the kind is painted, whatever the button is scaled by.
  const QImage& behind() {
    if (behind_.isNull())
      behind_ = decor_.copy(toQt(layout_.items[item_].box).toAlignedRect())
                    .scaled(QSizeF(kind_->width, kind_->height).toSize(), Qt::IgnoreAspectRatio,
                            Qt::SmoothTransformation);
    return behind_;
  }

  LookPainter& looks_;
  LookTables& tables_;
  const Project& project_;
  const Screen& screen_;
  const Layout& layout_;
  const QImage decor_;
  std::map<std::pair<KindId, StateIndex>, bool> hides_;
  // of the button that is being read
  size_t item_ = 0;
  const Kind* kind_ = nullptr;
  const Machine* machine_ = nullptr;
  const LookTable* table_ = nullptr;
  std::string words_;
  QImage behind_;
};

}  // namespace

std::vector<Eyes::Caption> readCaptions(LookPainter& looks, LookTables& tables,
                                        const Project& project, const Screen& screen,
                                        const Layout& layout, const std::atomic<bool>* stop) {
  std::vector<Eyes::Caption> out;
  Reader reader(looks, tables, project, screen, layout);
  for (size_t i = 0; i < screen.items.size() && !(stop && stop->load()); ++i)
    reader.read(i, out, stop);
  return out;
}

namespace {

// Between two ends at which it is read it fades only where light on dark becomes dark on light.
bool mayFade(const std::optional<Eyes::Caption>& from, const std::optional<Eyes::Caption>& to) {
  if (!from || !to || from->ratio < kReadable || to->ratio < kReadable) return true;
  const auto isLighter = [](const Eyes::Caption& c) {
    return luminance(c.text) > luminance(c.behind);
  };
  return isLighter(*from) != isLighter(*to);
}

}  // namespace

std::vector<Eyes::Fading> readFadings(LookPainter& looks, LookTables& tables,
                                      const Project& project, const Kind& kind, Ms least,
                                      const std::atomic<bool>* stop) {
  std::vector<Eyes::Fading> out;
  const Machine* machine = find(project, kind.machine);
  const auto table = tables.get(project, kind.id);
  if (!machine || !table || kind.width < 1 || kind.height < 1) return out;
  QImage behind(QSizeF(kind.width, kind.height).toSize(), QImage::Format_ARGB32_Premultiplied);
  behind.fill(toQt(groundOf(project, kind)));
  std::map<StateIndex, std::optional<Eyes::Caption>> ends;
  const auto end = [&](StateIndex state) -> const std::optional<Eyes::Caption>& {
    const auto [at, isNew] = ends.try_emplace(state);
    if (isNew)
      at->second = readAt(looks, kind, *table, table->state(state), kind.sampleCaption, behind, 1);
    return at->second;
  };
  for (const Way& way : waysOf(project, *machine)) {
    if (stop && stop->load()) break;
    if (way.lasts < least || table->state(way.from) == table->state(way.to)) continue;
    if (!mayFade(end(way.from), end(way.to))) continue;
    LookPlayer player(table, way.from);
    player.begin(way.from, 0);
    player.go(way.to, way.pace, 0);
    Eyes::Fading fading{machine->states[way.from].id, machine->states[way.to].id, 0, 21};
    for (int m = 1; m < kMoments; ++m) {
      const auto read = readAt(looks, kind, *table, player.at(way.lasts * m / kMoments),
                               kind.sampleCaption, behind, 1);
      if (!read || read->ratio >= kReadable) continue;
      fading.lasts += double(way.lasts) / kMoments;
      fading.ratio = std::min(fading.ratio, read->ratio);
    }
    if (fading.lasts > 0) out.push_back(fading);
  }
  return out;
}

}  // namespace bristle
