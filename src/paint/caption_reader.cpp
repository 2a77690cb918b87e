#include "paint/caption_reader.h"

#include <algorithm>
#include <map>
#include <set>
#include <tuple>

#include "core/derive/ground.h"
#include "paint/contrast.h"
#include "paint/convert.h"
#include "paint/screen_parts.h"
#include "runtime/document/project.h"
#include "runtime/machine/condition.h"
#include "runtime/machine/easing.h"
#include "runtime/machine/mix.h"
#include "runtime/machine/program.h"

namespace bristle {
namespace {

constexpr double kReadable = 3;     // of large text; what fades is not asked for more
constexpr int kMoments = 16;        // of a transition: the half-way one among them
constexpr double kMostSide = 8192;  // px of what is painted behind a button

bool isDecor(const Item& item) {
  return !item.button() && !item.container();
}

// What stands behind a button: the backdrop, and the panels and pictures that lie below it, as they
// are shown at first, or all that may come to be shown. Painted as large as the kind is, whatever
// the button is scaled by. An overlay without a backdrop lies on whatever it is put on: its panel
// counts.
QImage behindOf(LookPainter& looks, const Kind& kind, const Screen& screen, const Layout& layout,
                size_t button, bool hiddenToo) {
  const Box& box = layout.items[button].box;
  // Pictures are kept as large as they stand there, so that is how it is painted.
  QImage out(
      QSize(qCeil(std::clamp(box.w, 1.0, kMostSide)), qCeil(std::clamp(box.h, 1.0, kMostSide))),
      QImage::Format_ARGB32_Premultiplied);
  out.fill(Qt::black);
  QPainter p(&out);
  p.setRenderHints(QPainter::Antialiasing);
  p.translate(-box.x, -box.y);
  paintBackdrop(p, screen, layout);
  const Reading reading(looks, layout.rightToLeft);
  for (size_t i = 0; i < button; ++i) {
    const Placed& placed = layout.items[i];
    if (!isDecor(*screen.items[i]) || !(hiddenToo || placed.isSeen())) continue;
    const Box seen = placed.clip < 0 ? box : common(box, layout.clips[size_t(placed.clip)]);
    if (seen.w <= 0 || seen.h <= 0 || common(seen, placed.box).w <= 0) continue;
    p.save();
    p.setClipRect(toQt(seen));
    {
      const Scaled scaled(p, placed);
      paintDecor(p, looks, *screen.items[i], toQt(placed.own()));
    }
    p.restore();
  }
  p.end();
  return out.scaled(QSizeF(kind.width, kind.height).toSize(), Qt::IgnoreAspectRatio,
                    Qt::SmoothTransformation);
}

// Whether something that is hidden at first may come to lie behind the button.
bool mayBeOtherwiseBehind(const Screen& screen, const Layout& layout, size_t button) {
  for (size_t i = 0; i < button; ++i)
    if (isDecor(*screen.items[i]) && !layout.items[i].isSeen() &&
        common(layout.items[button].box, layout.items[i].box).w > 0)
      return true;
  return false;
}

// The one colour that a picture is of.
std::optional<QRgb> oneColour(const QImage& image) {
  const QRgb first = image.pixel(0, 0);
  for (int y = 0; y < image.height(); ++y) {
    const auto* line = reinterpret_cast<const QRgb*>(image.constScanLine(y));
    if (std::any_of(line, line + image.width(), [first](QRgb px) { return px != first; }))
      return {};
  }
  return first;
}

size_t hashOf(const QImage& image) {
  return qHashBits(image.constBits(), size_t(image.sizeInBytes()));
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
         const std::atomic<bool>* stop)
      : looks_(looks), tables_(tables), project_(project), screen_(screen), stop_(stop) {}

  bool stopped() const { return stop_ && stop_->load(); }

  void read(const Layout& layout, size_t item, std::vector<Eyes::Caption>& out) {
    const ButtonData* button = screen_.items[item]->button();
    kind_ = button ? find(project_, button->kind) : nullptr;
    machine_ = kind_ ? find(project_, kind_->machine) : nullptr;
    const auto table = kind_ ? tables_.get(project_, button->kind, &button->own) : nullptr;
    if (!machine_ || !table || kind_->width < 1 || kind_->height < 1) return;
    table_ = table.get();
    item_ = item;
    layout_ = &layout;
    words_ = wordsIn(project_, button->caption, layout.language);
    isOwn_ = !button->own.empty();
    std::vector<StateIndex> open;
    for (size_t s = 0; s < machine_->states.size() && !(kind_->still && s > 0); ++s)
      if (const auto state = static_cast<StateIndex>(s);
          isUsed(*machine_, state) && !isKnown(state))
        open.push_back(state);
    if (open.empty()) return;
    const Placed& placed = layout.items[item];
    if (placed.isSeen()) readOver(false, open, out);
    if (!placed.isSeen() || mayBeOtherwiseBehind(screen_, layout, item)) readOver(true, open, out);
  }

 private:
  void readOver(bool hiddenToo, const std::vector<StateIndex>& states,
                std::vector<Eyes::Caption>& out) {
    const QImage& behind = behindNow(hiddenToo);
    const auto plain = oneColour(behind);
    // Other words lie on other parts of a picture.
    const size_t seen = plain ? *plain : hashOf(behind) ^ std::hash<std::string>{}(words_);
    for (const StateIndex state : states) {
      if (stopped()) return;
      // On one colour all of a kind are as one.
      const auto [place, isNew] =
          over_.insert({ownerOf(state), plain ? screen_.items.size() : item_, seen});
      auto found = isNew ? at(state, behind) : std::nullopt;
      if (isNew && !found) over_.erase(place);  // this one shows no words; others may
      if (!found) continue;
      found->state = machine_->states[state].id;
      found->item = item_;
      out.push_back(*found);
    }
  }

  // Languages that leave things in their places need no other.
  const QImage& behindNow(bool hiddenToo) {
    std::vector<double> from{double(hiddenToo), layout_->width, layout_->height,
                             double(layout_->rightToLeft)};
    const auto add = [&](const Box& box) { from.insert(from.end(), {box.x, box.y, box.w, box.h}); };
    add(layout_->items[item_].box);
    for (size_t i = 0; i < item_; ++i)
      if (isDecor(*screen_.items[i])) {
        add(layout_->items[i].box);
        from.push_back(layout_->items[i].isSeen());
      }
    for (const Box& clip : layout_->clips) add(clip);
    Behind& kept = behind_[item_];
    if (kept.from != from) {
      kept.from = std::move(from);
      kept.picture = behindOf(looks_, *kind_, screen_, *layout_, item_, hiddenToo);
    }
    return kept.picture;
  }

  std::optional<Eyes::Caption> at(StateIndex state, const QImage& behind) {
    return readAt(looks_, *kind_, *table_, table_->state(state), words_, behind,
                  layout_->items[item_].scale);
  }

  // Whose look it is (with a look of its own the item’s, else as many as there are), in which
  // state, and whether its caption counts as large there.
  using Owner = std::tuple<KindId, size_t, StateIndex, bool>;
  Owner ownerOf(StateIndex state) const {
    const Part* label = partOf(*kind_, PartType::Label);
    return {
        kind_->id, isOwn_ ? item_ : screen_.items.size(), state,
        label && isLarge(*table_, table_->state(state), label->id, layout_->items[item_].scale)};
  }

  // Whether one with this look was read already, and what lies behind it cannot be seen; or this
  // one shows nothing to be read.
  bool isKnown(StateIndex state) {
    const auto [known, isNew] = hides_.try_emplace(ownerOf(state), false);
    if (!isNew) return known->second;
    bool any = false;
    const auto on = [&](QColor ground) {
      QImage image(QSizeF(kind_->width, kind_->height).toSize(),
                   QImage::Format_ARGB32_Premultiplied);
      image.fill(ground);
      const auto read = at(state, image);
      any = any || read;
      return read ? read->ratio : 0.0;
    };
    known->second = std::abs(on(Qt::black) - on(Qt::white)) < 0.01;
    if (!any) hides_.erase(known);
    return !any;
  }

  LookPainter& looks_;
  LookTables& tables_;
  const Project& project_;
  const Screen& screen_;
  const std::atomic<bool>* stop_;
  std::map<Owner, bool> hides_;
  // What was read: over which colour, or, by its hash, over which picture, and then of which item.
  std::set<std::tuple<Owner, size_t, size_t>> over_;
  // What was painted behind each item last, and all that it follows from.
  struct Behind {
    std::vector<double> from;
    QImage picture;
  };
  std::map<size_t, Behind> behind_;
  // of the button that is being read
  const Layout* layout_ = nullptr;
  size_t item_ = 0;
  const Kind* kind_ = nullptr;
  const Machine* machine_ = nullptr;
  const LookTable* table_ = nullptr;
  bool isOwn_ = false;
  std::string words_;
};

}  // namespace

std::vector<Eyes::Caption> readCaptions(LookPainter& looks, LookTables& tables,
                                        const Project& project, const Screen& screen,
                                        std::span<const Layout> layouts,
                                        const std::atomic<bool>* stop) {
  std::vector<Eyes::Caption> out;
  Reader reader(looks, tables, project, screen, stop);
  for (size_t l = 0; l < layouts.size(); ++l)
    for (size_t i = 0; i < screen.items.size() && !reader.stopped(); ++i) {
      const size_t before = out.size();
      reader.read(layouts[l], i, out);
      for (size_t c = before; c < out.size(); ++c) out[c].layout = l;
    }
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
  behind.fill(toQt(groundOf(project, kind.id)));
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
    for (int m = 1; m < kMoments && !(stop && stop->load()); ++m) {
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
