#include "desktop/work/work.h"

#include <spdlog/spdlog.h>

#include <QApplication>
#include <QKeyEvent>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QWidget>
#include <algorithm>

#include "desktop/derive/findings_watch.h"
#include "devices/controllers.h"
#include "paint/convert.h"
#include "paint/project_fonts.h"
#include "runtime/document/tree.h"
#include "runtime/layout/fly_outs.h"
#include "runtime/layout/scroll.h"
#include "runtime/layout/shown.h"

namespace bristle {

namespace {

// What a person most likely wants to change first: the first part's fill, colour or file.
PropKey firstRow(const Kind& kind) {
  for (bool shown : {true, false})
    for (const Part& part : kind.parts)
      for (Prop prop : {Prop::Fill, Prop::File, Prop::Colour})
        if (indexOf(part.type, prop) >= 0 &&
            baseValue(kind, {part.id, Prop::Shown}) == Value(shown))
          return {part.id, prop};
  return allProperties(kind).front();
}

}  // namespace

Work::Work()
    : history_(emptyProject()), derived_(measure_), findings_(std::make_unique<FindingsWatch>()) {
  keepPicksValid();
  if (qApp) qApp->installEventFilter(this);
  connect(&derived_, &Derived::ready, this, [this] {
    routes_.reset();
    Q_EMIT derivedChanged();
  });
  connect(&sounds_, &Sounds::failed, this, [this](const QString& why) { tell(why, true); });
}

Work::~Work() = default;

Controllers& Work::controllers() {
  if (!controllers_) controllers_ = std::make_unique<Controllers>();
  return *controllers_;
}

namespace {

// A burst of typing in one field is one step until it is committed or left.
bool isTyping(const QKeyEvent& event) {
  const QWidget* field = QApplication::focusWidget();
  const bool inText = field && (field->inherits("QLineEdit") || field->inherits("QPlainTextEdit") ||
                                field->inherits("QAbstractSpinBox"));
  if (!inText || event.modifiers() & (Qt::ControlModifier | Qt::AltModifier)) return false;
  const int key = event.key();
  return key != Qt::Key_Return && key != Qt::Key_Enter && key != Qt::Key_Tab &&
         key != Qt::Key_Backtab && key != Qt::Key_Escape;
}

// A field takes these keys for its own text, even where it has nothing to take back: then they are
// meant for the menu.
bool undoesNothing(const QObject* watched, const QKeyEvent& key) {
  const bool undo = key.matches(QKeySequence::Undo), redo = key.matches(QKeySequence::Redo);
  if (!undo && !redo) return false;
  if (const auto* line = qobject_cast<const QLineEdit*>(watched))
    return undo ? !line->isUndoAvailable() : !line->isRedoAvailable();
  if (const auto* text = qobject_cast<const QPlainTextEdit*>(watched))
    return undo ? !text->document()->isUndoAvailable() : !text->document()->isRedoAvailable();
  return false;
}

}  // namespace

bool Work::eventFilter(QObject* watched, QEvent* event) {
  switch (event->type()) {
    case QEvent::MouseButtonPress:
    case QEvent::MouseButtonDblClick:
    case QEvent::TouchBegin:
      seal();
      break;
    case QEvent::KeyPress:
    case QEvent::ShortcutOverride: {
      const auto& key = *static_cast<QKeyEvent*>(event);
      // A key that is held is one gesture, and so are arrows that follow one another: a nudge.
      const bool arrow = key.key() >= Qt::Key_Left && key.key() <= Qt::Key_Down;
      const bool modifier = key.key() == Qt::Key_Shift || key.key() == Qt::Key_Control ||
                            key.key() == Qt::Key_Alt || key.key() == Qt::Key_Meta;
      if (!key.isAutoRepeat() && !arrow && !modifier && !isTyping(key)) seal();
      if (event->type() == QEvent::ShortcutOverride && undoesNothing(watched, key)) {
        event->ignore();
        return true;
      }
      break;
    }
    default:
      break;
  }
  return QObject::eventFilter(watched, event);
}

bool Work::perform(const Edit& edit) {
  const auto change = history_.perform(edit);
  if (!change) {
    tell(toQt(change.error().text()), true);
    return false;
  }
  if (change->any()) after(*change);
  return true;
}

void Work::undo() {
  if (!history_.canUndo()) return;
  const QString name = toQt(history_.undoName());
  after(history_.undo());
  tell(tr("Undone: %1").arg(name));
}

void Work::redo() {
  if (!history_.canRedo()) return;
  const QString name = toQt(history_.redoName());
  after(history_.redo());
  tell(tr("Done again: %1").arg(name));
}

void Work::replace(Project project, const QString& folder, bool readOnly) {
  history_ = History(std::move(project));
  setFolder(folder);
  readOnly_ = readOnly;
  miniatures_.forget();  // its files may have changed meanwhile
  picked_ = {};
  Q_EMIT replaced();
  after({true, true, true, true});
}

void Work::setFolder(const QString& folder) {
  folder_ = folder;
  for (const QString& file : useFontsOf(folder))
    tell(tr("The font %1 can’t be read").arg(file), true);
  looks_.pictures().setFolder(folder);
  miniatures_.setFolder(folder);
  sounds_.setFolder(folder);
}

void Work::markSaved() {
  history_.markSaved();
  readOnly_ = false;  // it has a file of its own now
  Q_EMIT historyChanged();
}

void Work::markUnsaved() {
  history_.markUnsaved();
  Q_EMIT historyChanged();
}

// What is still right is found again by what it rests on.
void Work::dropDerived() {
  layout_.reset();
  routes_.reset();
}

void Work::after(const Change& change) {
  dropDerived();
  keepPicksValid();
  Q_EMIT changed(change);
  Q_EMIT historyChanged();
}

// What was removed is no longer picked; where something could be picked, something is.
void Work::keepPicksValid() {
  const Project& p = project();
  if (!kind()) {
    picked_.kind = p.kinds.empty() ? KindId{} : p.kinds.front()->id;
    picked_.columns = {Column{}};
    picked_.property = {};
  }
  if (const Kind* k = kind()) {
    const auto rows = allProperties(*k);
    const auto known = [&](const PropKey& key) {
      return std::find(rows.begin(), rows.end(), key) != rows.end();
    };
    if (!known(picked_.property) && !rows.empty()) picked_.property = firstRow(*k);
    std::erase_if(picked_.rows, [&](const PropKey& key) { return !known(key); });
    if (std::find(picked_.rows.begin(), picked_.rows.end(), picked_.property) == picked_.rows.end())
      picked_.rows = {picked_.property};
  }
  if (const Machine* m = machine())
    std::erase_if(picked_.columns, [&](const Column& c) { return c && !findState(*m, *c); });
  if (picked_.columns.empty()) picked_.columns = {Column{}};
  if (!screen()) {
    picked_.screen = find(p, p.first) ? p.first : p.screens.empty() ? ScreenId{} : p.screens[0]->id;
    setPicked({});
  }
  if (const Screen* s = screen()) keepThere(*s);
  const Item* picked = item();
  if (!picked || !picked->button() || picked->button()->kind != picked_.kind)
    picked_.onlyButton = false;
  if (!find(p, picked_.display)) picked_.display = p.displays.front().id;
  picked_.language = languageOf(p, picked_.language).id;
}

void Work::pickKind(const KindId& kind) {
  if (picked_.kind == kind) return;
  picked_.kind = kind;
  picked_.columns = {Column{}};
  picked_.property = {};
  keepPicksValid();
  Q_EMIT pickedChanged();
}

void Work::pickColumns(std::vector<Column> columns, PropKey property) {
  pickCells(std::move(columns), {property}, property);
}

void Work::pickOnlyButton(bool on) {
  if (picked_.onlyButton == on) return;
  picked_.onlyButton = on;
  keepPicksValid();
  seal();
  Q_EMIT pickedChanged();
}

void Work::pickCells(std::vector<Column> columns, std::vector<PropKey> rows, PropKey property) {
  if (picked_.columns == columns && picked_.property == property && picked_.rows == rows) return;
  picked_.columns = std::move(columns);
  picked_.rows = std::move(rows);
  picked_.property = std::move(property);
  seal();
  Q_EMIT pickedChanged();
}

void Work::pickScreen(const ScreenId& screen) {
  if (picked_.screen == screen) return;
  picked_.screen = screen;
  setPicked({});
  picked_.onlyButton = false;
  dropDerived();
  Q_EMIT pickedChanged();
}

void Work::setPicked(std::vector<ItemId> items) {
  picked_.items = std::move(items);
  pickedItems_ = {picked_.items.begin(), picked_.items.end()};
}

// In one walk: hundreds may be picked among thousands, at each step of a drag.
void Work::keepThere(const Screen& screen) {
  std::unordered_set<ItemId> there;
  for (const auto& item : screen.items)
    if (pickedItems_.contains(item->id)) there.insert(item->id);
  if (there.size() == pickedItems_.size()) return;
  auto items = picked_.items;
  std::erase_if(items, [&](const ItemId& id) { return !there.contains(id); });
  setPicked(std::move(items));
}

void Work::pickItems(std::vector<ItemId> items, bool sameStep) {
  if (picked_.items == items) return;
  setPicked(std::move(items));
  picked_.onlyButton = false;
  revealPicked();
  if (!sameStep) seal();
  Q_EMIT pickedChanged();
}

void Work::pickDisplay(const DisplayId& display) {
  if (picked_.display == display) return;
  picked_.display = display;
  dropDerived();
  Q_EMIT pickedChanged();
}

void Work::pickLanguage(const LanguageId& language) {
  if (picked_.language == language) return;
  picked_.language = language;
  dropDerived();
  Q_EMIT pickedChanged();
}

void Work::pickDir(Dir dir) {
  if (picked_.dir == dir) return;
  picked_.dir = dir;
  Q_EMIT pickedChanged();
}

void Work::pickPlaceOf(const Finding& finding) {
  if (finding.kind && find(project(), finding.kind)) pickKind(finding.kind);
  if (finding.machine)
    for (const auto& kind : project().kinds)
      if (kind->machine == finding.machine) {
        pickKind(kind->id);
        break;
      }
  if (finding.state && kind()) pickColumns({finding.state}, picked_.property);
  if (finding.display && find(project(), finding.display)) pickDisplay(finding.display);
  if (finding.language) pickLanguage(finding.language);
  if (!finding.screen || !find(project(), finding.screen)) return;
  pickScreen(finding.screen);
  if (finding.item && findItem(*screen(), finding.item)) pickItems({finding.item});
}

const Machine* Work::machine() const {
  const Kind* k = kind();
  return k ? find(project(), k->machine) : nullptr;
}

const Display* Work::display() const {
  return find(project(), picked_.display);
}

const Item* Work::item() const {
  const Screen* s = screen();
  return s && !picked_.items.empty() ? findItem(*s, picked_.items.front()) : nullptr;
}

LookOwner Work::lookOwner() const {
  if (!picked_.onlyButton || !item()) return {picked_.kind};
  return {picked_.kind, picked_.screen, item()->id};
}

const OwnLook* Work::ownLook() const {
  return picked_.onlyButton && item() && item()->button() ? &item()->button()->own : nullptr;
}

std::shared_ptr<const LookTable> Work::lookTable() {
  return kind() ? tables_.get(project(), picked_.kind, ownLook()) : nullptr;
}

const Layout& Work::layout() {
  static const Layout none;
  if (layout_ || !screen()) return layout_ ? *layout_ : none;
  layout_ = derived_.layout(shown());
  const std::vector<size_t> instead = panelsInSight();
  peeks_ = false;
  if (layout_->scrollers.empty() && layout_->flyOuts.empty() && instead.empty()) return *layout_;
  Layout moved = *layout_;
  peeks_ = !instead.empty() && show(moved, *screen(), goneAtFirst(*screen(), instead));
  std::vector<Px> offsets;
  for (const Scroller& s : layout_->scrollers) {
    const auto at = scrolled_.find(screen()->items[s.item]->id);
    offsets.push_back(at == scrolled_.end() ? 0 : at->second);
  }
  const auto at = item() ? indexOf(*screen(), item()->id) : std::nullopt;
  const bool scrolls = scroll(moved, offsets);
  const bool opens = openOnly(moved, at ? moved.items[*at].flyOut : -1);
  if (scrolls || opens || peeks_) layout_ = std::make_shared<const Layout>(std::move(moved));
  return *layout_;
}

// The panels that were looked at last, of sets on the picked screen.
std::vector<size_t> Work::panelsInSight() const {
  std::vector<size_t> out;
  for (size_t i = 0; i < screen()->items.size(); ++i) {
    const auto at = inSight_.find(screen()->items[i]->parent);
    if (at != inSight_.end() && at->second == screen()->items[i]->id) out.push_back(i);
  }
  return out;
}

// The panel that something is picked in is looked at, and the one that a picked button shows.
void Work::lookAtPanels() {
  if (!item()) return;
  const auto look = [this](const Item& panel) {
    const Item* set = panel.parent ? findItem(*screen(), panel.parent) : nullptr;
    if (!set || !set->container()->panels || inSight_[set->id] == panel.id) return;
    inSight_[set->id] = panel.id;
    dropDerived();
  };
  for (const Item* it = item(); it; it = it->parent ? findItem(*screen(), it->parent) : nullptr)
    look(*it);
  if (!item()->button()) return;
  for (const Action& action : item()->button()->actions)
    if (const Item* panel = findItem(*screen(), action.item);
        panel && action.type == ActionType::Panel)
      look(*panel);
}

// What is picked in a scroller out of sight comes into it, and a fly-out opens.
void Work::revealPicked() {
  lookAtPanels();
  if (layout_ && !layout_->flyOuts.empty()) dropDerived();
  bool scrolls = false;
  for (const Item* it = item(); it && it->parent && !scrolls;) {
    it = findItem(*screen(), it->parent);
    scrolls = it && it->container()->scrolls != Scrolls::No;
  }
  const auto at = scrolls ? indexOf(*screen(), item()->id) : std::nullopt;
  if (!at || layout().items[*at].scroller < 0 || inView(layout().items[*at])) return;
  const auto offsets = offsetsToShow(*screen(), layout(), *at);
  for (size_t i = 0; i < offsets.size(); ++i)
    scrolled_[screen()->items[layout().scrollers[i].item]->id] = offsets[i];
  dropDerived();
}

const ScreenRoutes& Work::routes() {
  static const ScreenRoutes none;
  if (routes_ || !screen()) return routes_ ? *routes_ : none;
  // Scrolled, or with another panel, they are those of what can be seen now.
  const bool moved = std::any_of(layout().scrollers.begin(), layout().scrollers.end(),
                                 [](const Scroller& s) { return s.offset > 0; });
  routes_ = moved || peeks_
                ? std::make_shared<const ScreenRoutes>(screenRoutes(*screen(), layout()))
                : derived_.routes(shown());
  return routes_ ? *routes_ : none;
}

int Work::pickedBox() {
  if (!item()) return -1;
  return routes().boxOf[*indexOf(*screen(), item()->id)];
}

void Work::tell(const QString& message, bool wrong) {
  spdlog::debug("told: {}", fromQt(message));
  Q_EMIT told(message, wrong);
}

void Work::filesChanged() {
  looks_.pictures().forget();
  miniatures_.forget();
  findings_->forget();
  Q_EMIT picturesChanged();
}

}  // namespace bristle
