#include "desktop/route/keys_page.h"

#include <QGridLayout>
#include <QPushButton>
#include <QScrollArea>
#include <algorithm>

#include "core/edit/binding_edits.h"
#include "core/edit/settings_edit.h"
#include "desktop/route/signs_field.h"
#include "desktop/view/action_form.h"
#include "desktop/view/form.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr int kMostWide = 760;  // px; fields that are longer are no easier to read

QString nameOf(Does does) {
  switch (does) {
    case Does::Accept:
      return QObject::tr("accept");
    case Does::Cancel:
      return QObject::tr("cancel");
    case Does::TabLeft:
      return QObject::tr("tab left");
    case Does::TabRight:
      return QObject::tr("tab right");
    case Does::Up:
      return QObject::tr("up");
    case Does::Down:
      return QObject::tr("down");
    case Does::Left:
      return QObject::tr("left");
    case Does::Right:
      return QObject::tr("right");
    case Does::Nothing:
      return QObject::tr("nothing here");
    case Does::Shortcut:
      break;
  }
  return {};
}

QLabel* heading(const QString& text) {
  auto* label = new QLabel(text);
  label->setProperty("heading", true);
  return label;
}

}  // namespace

KeysPage::KeysPage(Work& work) : work_(work) {
  auto* outer = new QVBoxLayout(this);
  outer->setContentsMargins(0, 0, 0, 0);
  auto* area = new QScrollArea;
  area->setWidgetResizable(true);
  auto* inner = new QWidget;
  inner->setMaximumWidth(kMostWide);
  area->setWidget(inner);
  outer->addWidget(area);
  column_ = new QVBoxLayout(inner);
  column_->setContentsMargins(16, 8, 16, 16);
  column_->setSpacing(8);
  auto* top = new Form;
  top->layout()->setContentsMargins(0, 0, 0, 0);
  where_ = top->choice(tr("Bound"), {}, [this](int) { refresh(); });
  column_->addWidget(top);
  clashes_ = new QLabel;
  clashes_->setProperty("wrong", true);
  clashes_->setWordWrap(true);
  column_->addWidget(clashes_);
  buildDoings();
  auto* signs = new Form;
  signs->layout()->setContentsMargins(0, 0, 0, 0);
  padSigns_ = signs->choice(
      tr("Controller signs"),
      {tr("four dots, one of them full"), tr("a disc with one quarter full"),
       tr("numbers, from the lower one on to the right")},
      [this](int i) {
        work_.perform(changeSettings("change controller signs", [i](Settings& settings) {
          settings.padSigns = static_cast<PadSigns>(i);
        }));
      });
  padSigns_->setToolTip(
      tr("How prompts show the four buttons at the right of a controller: buttons whose icon "
         "shows a sign"));
  const auto time = [&](const QString& what, Ms Settings::*ms) {
    return signs->number(
        what, 1, 10'000,
        [this, ms](double v) {
          return work_.perform(
              changeSettings("change how held directions repeat",
                             [ms, v](Settings& s) { s.*ms = static_cast<Ms>(v); }));
        },
        QStringLiteral("ms"));
  };
  delay_ = time(tr("Held, repeats after"), &Settings::repeatDelay);
  interval_ = time(tr("Then every"), &Settings::repeatInterval);
  column_->addWidget(signs);
  column_->addWidget(heading(tr("SHORTCUTS")));
  nothing_ = new QLabel(tr(
      "A shortcut is a key or controller button with a meaning of your own. Where a button of the "
      "screen answers to it, it presses that one; elsewhere it does what is said here."));
  nothing_->setProperty("quiet", true);
  nothing_->setWordWrap(true);
  column_->addWidget(nothing_);
  column_->addLayout(shortcuts_ = new QVBoxLayout);
  auto* add = new QPushButton(tr("Add a shortcut"));
  add->setAccessibleName(add->text());
  connect(add, &QPushButton::clicked, this,
          [this] { work_.perform(bristle::addShortcut(fromQt(tr("Shortcut")))); });
  auto* first = new QPushButton(tr("Bind as at first"));
  first->setAccessibleName(first->text());
  first->setToolTip(
      tr("Everywhere: the keys and buttons of a new menu. On a screen: none of its "
         "own."));
  connect(first, &QPushButton::clicked, this, [this] { work_.perform(bindAsAtFirst(where())); });
  auto* below = new QHBoxLayout;
  below->addWidget(add);
  below->addWidget(first);
  below->addStretch();
  column_->addLayout(below);
  column_->addStretch();
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void KeysPage::buildDoings() {
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(12);
  grid->setVerticalSpacing(8);
  grid->setColumnMinimumWidth(0, 88);
  grid->setColumnStretch(1, 3);
  grid->setColumnStretch(2, 4);
  grid->addWidget(heading(tr("DOES")), 0, 0);
  grid->addWidget(heading(tr("KEYS")), 0, 1);
  grid->addWidget(heading(tr("CONTROLLER")), 0, 2);
  int line = 1;
  for (const Does does : {Does::Accept, Does::Cancel, Does::TabLeft, Does::TabRight, Does::Up,
                          Does::Down, Does::Left, Does::Right, Does::Nothing}) {
    const QString name = nameOf(does);
    auto* label = new QLabel(name);
    Row row = fields(does, {}, name);
    row.label = label;
    label->setBuddy(row.keys);
    grid->addWidget(label, line, 0);
    grid->addWidget(row.keys, line, 1);
    grid->addWidget(row.buttons, line++, 2);
    rows_.push_back(row);
  }
  fixed_ = rows_.size();
  auto* note = new QLabel(
      tr("Arrows, the D-pad and the left stick always move, Tab always steps. Tab left and right "
         "step through the tabs of a screen: a row or column that is marked so on Place."));
  note->setProperty("quiet", true);
  note->setWordWrap(true);
  column_->addLayout(grid);
  column_->addWidget(note);
}

KeysPage::Row KeysPage::fields(Does does, const ShortcutId& shortcut, const QString& what) {
  const auto field = [&](Sign::Of of) {
    auto* out = new SignsField(of, what);
    connect(out, &SignsField::refused, this, [this](const QString& why) { work_.tell(why, true); });
    connect(out, &SignsField::changed, this, [=, this](const std::vector<Sign>& signs) {
      work_.perform(bind(where(), of, does, shortcut, signs));
    });
    return out;
  };
  return {does, shortcut, field(Sign::Of::Key), field(Sign::Of::Button), nullptr};
}

ScreenId KeysPage::where() const {
  return where_->currentIndex() == 1 && work_.screen() ? work_.screen()->id : ScreenId{};
}

const std::vector<Binding>& KeysPage::bindings() const {
  return where() ? work_.screen()->bindings : work_.project().bindings;
}

// Anew when there are others than before.
void KeysPage::makeShortcuts() {
  const auto& all = work_.project().shortcuts;
  const bool same = std::equal(all.begin(), all.end(), own_.begin(), own_.end(),
                               [](const Shortcut& s, const Own& own) { return s.id == own.id; });
  if (same) return;
  const bool added = all.size() == own_.size() + 1;
  for (Own& own : own_) own.form->deleteLater(), own.form->hide();
  own_.clear();
  rows_.resize(fixed_);
  for (const Shortcut& each : all) addShortcut(each);
  if (added && isVisible()) {
    own_.back().name->setFocus();
    own_.back().name->selectAll();
  }
}

void KeysPage::addShortcut(const Shortcut& shortcut) {
  const ShortcutId id = shortcut.id;
  const QString number = QString::number(own_.size() + 1);
  auto* form = new Form;
  form->layout()->setContentsMargins(0, 4, 0, 12);
  QLineEdit* name = form->text(tr("Name"), [this, id](const QString& text) {
    return !text.trimmed().isEmpty() &&
           work_.perform(changeShortcut(id, "rename shortcut", {},
                                        [text](Shortcut& s) { s.name = fromQt(text.trimmed()); }));
  });
  refill(name, toQt(shortcut.name));
  name->setAccessibleName(tr("Name of shortcut %1").arg(number));
  const Row row = fields(Does::Shortcut, id, tr("shortcut %1").arg(number));
  form->row(tr("Keys"), row.keys);
  form->row(tr("Controller"), row.buttons);
  auto* action = new ActionForm(
      work_, *form, [this, id](const char* what, const std::function<void(Actions&)>& apply) {
        return work_.perform(
            changeShortcut(id, what, {}, [apply](Shortcut& s) { apply(s.actions); }));
      });
  form->button(tr("Remove shortcut %1").arg(number),
               [this, id] { work_.perform(removeShortcut(id)); });
  rows_.push_back(row);
  own_.push_back({id, form, name, action});
  shortcuts_->addWidget(form);
  form->show();  // at once, so that the keyboard can go there
}

void KeysPage::refresh(const Row& row) {
  // Everywhere nothing has to be taken away.
  if (row.does == Does::Nothing)
    for (QWidget* each : {static_cast<QWidget*>(row.label), static_cast<QWidget*>(row.keys),
                          static_cast<QWidget*>(row.buttons)})
      each->setVisible(bool(where()));
  for (const auto& [of, field] :
       {std::pair(Sign::Of::Key, row.keys), std::pair(Sign::Of::Button, row.buttons)}) {
    std::vector<Sign> signs;
    bool clash = false;
    for (const Binding& each : bindings()) {
      if (each.sign.of != of || each.does != row.does || each.shortcut != row.shortcut) continue;
      signs.push_back(each.sign);
      clash = clash || std::count_if(bindings().begin(), bindings().end(),
                                     [&](const Binding& b) { return b.sign == each.sign; }) > 1;
    }
    std::vector<Sign> otherwise;
    if (where() && row.does != Does::Nothing)
      otherwise = signsFor(work_.project(), work_.screen(), of, row.does, row.shortcut);
    field->set(signs, otherwise);
    field->setClash(clash);
  }
}

void KeysPage::tellClashes() {
  QStringList all;
  const auto& bound = bindings();
  for (size_t i = 0; i < bound.size(); ++i)
    for (size_t k = i + 1; k < bound.size(); ++k)
      if (bound[i].sign == bound[k].sign)
        all << tr("%1 does two things: only the first counts").arg(toQt(toText(bound[i].sign)));
  for (const auto& [of, words] :
       {std::pair(Sign::Of::Key, tr("No key accepts: buttons cannot be pressed by the keyboard")),
        std::pair(Sign::Of::Button,
                  tr("No controller button accepts: buttons cannot be pressed by it"))})
    if (signsFor(work_.project(), where() ? work_.screen() : nullptr, of, Does::Accept).empty())
      all << words;
  clashes_->setText(all.join(QLatin1Char('\n')));
  clashes_->setVisible(!all.isEmpty());
}

void KeysPage::refresh() {
  refill(delay_, QString::number(work_.project().settings.repeatDelay));
  refill(interval_, QString::number(work_.project().settings.repeatInterval));
  refill(padSigns_, static_cast<int>(work_.project().settings.padSigns));
  const Screen* screen = work_.screen();
  QStringList places{tr("everywhere")};
  if (screen) places << tr("on %1 only").arg(toQt(screen->name));
  refill(where_, places, std::min(std::max(0, where_->currentIndex()), int(places.size()) - 1));
  makeShortcuts();
  nothing_->setVisible(own_.empty());
  for (const Own& own : own_)
    if (const Shortcut* shortcut = bristle::find(work_.project(), own.id)) {
      refill(own.name, toQt(shortcut->name));
      own.action->show(shortcut->actions, work_.screen());
    }
  for (const Row& row : rows_) refresh(row);
  tellClashes();
}

}  // namespace bristle
