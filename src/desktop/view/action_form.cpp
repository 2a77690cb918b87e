#include "desktop/view/action_form.h"

#include <QListWidget>
#include <QSignalBlocker>
#include <QStandardItemModel>
#include <algorithm>

#include "core/derive/action_words.h"
#include "desktop/view/condition_text.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

// In the order of ActionType, after what a button does that does nothing.
QStringList actionChoices() {
  return {QObject::tr("does nothing yet"),
          QObject::tr("open a screen"),
          QObject::tr("put on top"),
          QObject::tr("go back"),
          QObject::tr("go back to a screen"),
          QObject::tr("show a panel"),
          QObject::tr("show something"),
          QObject::tr("hide something"),
          QObject::tr("show or hide by turns"),
          QObject::tr("set a value"),
          QObject::tr("step a value"),
          QObject::tr("send a message"),
          QObject::tr("open a link"),
          QObject::tr("quit"),
          QObject::tr("speak another language"),
          QObject::tr("flip a value")};
}

bool isPanel(const Screen& screen, const Item& item) {
  const Item* parent = findItem(screen, item.parent);
  return parent && parent->container() && parent->container()->panels;
}

}  // namespace

ActionForm::ActionForm(Work& work, Form& form, Change change)
    : QObject(&form), work_(work), form_(form), change_(std::move(change)) {
  buildList(form);
  build(form);
}

void ActionForm::buildList(Form& form) {
  list_ = new QListWidget;
  list_->setAccessibleName(tr("Actions in their order"));
  list_->setUniformItemSizes(true);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  connect(list_, &QListWidget::currentRowChanged, this, [this](int row) {
    if (row < 0) return;
    pick(size_t(row));
    Q_EMIT inHand(at_);
  });
  form.wide(list_);
}

void ActionForm::build(Form& form) {
  do_ = form.choice(tr("Action"), actionChoices(), [this](int index) { setType(index); });
  do_->setMaxVisibleItems(16);
  screen_ = form.choice(tr("Target screen"), {}, [this](int index) {
    const ScreenId id = work_.project().screens[size_t(index)]->id;
    changeOne("change target", [id](Action& a) { a.screen = id; });
  });
  item_ = form.choice(tr("What"), {}, [this](int index) {
    const auto all = items(actions_[at_].type);
    if (size_t(index) < all.size())
      changeOne("change target", [id = all[size_t(index)]](Action& a) { a.item = id; });
  });
  item_->setAccessibleName(tr("What is shown or hidden"));
  language_ = form.choice(tr("Language"), {}, [this](int index) {
    const LanguageId id = work_.project().languages[size_t(index)].id;
    changeOne("change language", [id](Action& a) { a.language = id; });
  });
  language_->setAccessibleName(tr("Language that is spoken"));
  value_ = form.choice(tr("Value"), {}, [this](int index) {
    const ValueId id = work_.project().values[size_t(index)].id;
    changeOne("change the value", [id](Action& a) { a.value = id; });
  });
  value_->setAccessibleName(tr("Value that is set"));
  option_ = form.choice(tr("To"), {}, [this](int index) {
    changeOne("change what it is set to", [index](Action& a) { a.number = index; });
  });
  option_->setAccessibleName(tr("What it is set to"));
  number_ = form.number(tr("Number"), -1e9, 1e9, [this](double number) {
    changeOne("change the number", [number](Action& a) { a.number = number; });
    return true;
  });
  number_->setToolTip(tr("To set: the number; to step: how many steps, less than 0 backwards"));
  message_ = form.text(tr("Message"), [this](const QString& text) {
    if (actions_[at_].type == ActionType::Link && !isSafeLink(fromQt(text.trimmed()))) {
      work_.tell(tr("expected an address that begins with http:, https: or mailto:"), true);
      return false;
    }
    changeOne("change message", [text](Action& a) { a.message = fromQt(text.trimmed()); });
    return true;
  });
  when_ = conditionText(
      work_, form, tr("Only if"), [this] { return on_; },
      [this](const std::string& condition) {
        changeOne("change the condition", [condition](Action& a) { a.when = condition; });
        return true;
      });
  std::tie(add_, remove_) = form.buttons(
      {tr("Add an action after it"), tr("And then…"),
       [this] {
         const size_t at = actions_.empty() ? 0 : at_ + 1;
         at_ = at;
         Q_EMIT inHand(at_);
         change_("add an action", [at](Actions& all) {
           all.insert(all.begin() + std::ptrdiff_t(std::min(at, all.size())), Action{});
         });
       }},
      {tr("Remove the action"), tr("Remove"), [this] {
         const size_t at = at_;
         change_("remove an action", [at](Actions& all) {
           if (at < all.size()) all.erase(all.begin() + std::ptrdiff_t(at));
         });
       }});
  const auto move = [this](int by) {
    const size_t from = at_, to = at_ + size_t(by);
    if (to >= actions_.size()) return;
    at_ = to;
    Q_EMIT inHand(at_);
    change_("move an action", [from, to](Actions& all) {
      if (std::max(from, to) < all.size()) std::swap(all[from], all[to]);
    });
  };
  std::tie(earlier_, later_) =
      form.buttons({tr("Do the action earlier"), tr("Earlier"), [move] { move(-1); }},
                   {tr("Do the action later"), tr("Later"), [move] { move(1); }});
}

void ActionForm::changeOne(const char* name, std::function<void(Action&)> apply) {
  change_(name, [apply = std::move(apply), at = at_](Actions& all) {
    if (at < all.size()) apply(all[at]);
  });
}

// What it needs is chosen from what there is, so that it works at once.
void ActionForm::setType(int index) {
  if (index == 0)
    return void(change_("change action", [at = at_](Actions& all) {
      if (at < all.size()) all.erase(all.begin() + std::ptrdiff_t(at));
    }));
  Action fresh;
  fresh.type = static_cast<ActionType>(index - 1);
  const Project& p = work_.project();
  if (fresh.leads() && !p.screens.empty()) fresh.screen = p.screens.back()->id;
  if (fresh.hasItem())
    if (const auto all = items(fresh.type); !all.empty()) fresh.item = all.front();
  if (fresh.hasValue() && !p.values.empty()) fresh.value = p.values.front().id;
  if (fresh.hasValue() && fresh.type != ActionType::Flip) fresh.number = 1;
  if (fresh.type == ActionType::Speak) fresh.language = p.languages.back().id;
  if (fresh.type == ActionType::Message) fresh.message = "message";
  if (fresh.type == ActionType::Link) fresh.message = "https://";
  change_("change action", [fresh, at = at_](Actions& all) {
    if (at >= all.size()) return all.push_back(fresh);
    Action next = fresh;
    if (next.leads() && all[at].screen) next.screen = all[at].screen;
    if (next.hasValue() && all[at].value) next.value = all[at].value;
    if (next.hasItem() && all[at].item) next.item = all[at].item;
    next.when = all[at].when;
    all[at] = std::move(next);
  });
}

// What can be chosen: panels of sets, or anything on the screen.
std::vector<ItemId> ActionForm::items(ActionType type) const {
  std::vector<ItemId> out;
  const Screen* screen = bristle::find(work_.project(), on_);
  if (!screen) return out;
  for (const auto& item : screen->items)
    if (type != ActionType::Panel || isPanel(*screen, *item)) out.push_back(item->id);
  return out;
}

void ActionForm::pick(size_t index) {
  at_ = index;
  showOne(at_ < actions_.size() ? &actions_[at_] : nullptr);
}

void ActionForm::show(const Actions& actions, const Screen* on) {
  const ScreenId screen = on ? on->id : ScreenId{};
  if (on_ != screen) at_ = 0;
  on_ = screen;
  actions_ = actions;
  at_ = std::min(at_, actions_.empty() ? 0 : actions_.size() - 1);
  showList(actions);
  showOne(actions_.empty() ? nullptr : &actions_[at_]);
  remove_->setEnabled(!actions_.empty());
  add_->setEnabled(!actions_.empty() && actions_.size() < kMostActions);
}

// Seen where there is an order to tell of.
void ActionForm::showList(const Actions& actions) {
  const QSignalBlocker quiet(list_);
  list_->clear();
  int number = 1;
  for (const Action& action : actions) {
    const QString words = toQt(inWords(work_.project(), action));
    auto* line = new QListWidgetItem(tr("%1 · %2").arg(number++).arg(words));
    line->setToolTip(words);
    list_->addItem(line);
  }
  list_->setCurrentRow(actions.empty() ? -1 : int(at_));
  const bool several = actions.size() > 1;
  list_->setVisible(several);
  list_->setFixedHeight(std::min(int(actions.size()), 5) * std::max(20, list_->sizeHintForRow(0)) +
                        6);
  for (QPushButton* each : {earlier_, later_}) each->setVisible(several);
  earlier_->setEnabled(at_ > 0);
  later_->setEnabled(at_ + 1 < actions.size());
  add_->setVisible(!actions.empty());
  remove_->setVisible(!actions.empty());
}

void ActionForm::showOne(const Action* action) {
  // Of several one is taken away by its button, not by passing over this entry.
  if (auto* entries = qobject_cast<QStandardItemModel*>(do_->model()))
    entries->item(0)->setEnabled(actions_.size() < 2);
  refill(do_, action ? static_cast<int>(action->type) + 1 : 0);
  form_.setRowVisible(do_, true);
  const Action none;
  const Action& a = action ? *action : none;
  form_.setRowVisible(screen_, action && a.leads());
  form_.setRowVisible(item_, action && a.hasItem());
  form_.setRowVisible(value_, action && a.hasValue());
  form_.setRowVisible(language_, action && a.type == ActionType::Speak);
  form_.setRowVisible(message_,
                      a.type == ActionType::Message || (action && a.type == ActionType::Link));
  form_.setRowVisible(when_, action != nullptr);
  showTargets(a);
  showValue(a);
  refill(message_, toQt(a.message));
  refillCondition(work_, when_, a.when);
  earlier_->setEnabled(at_ > 0);
  later_->setEnabled(at_ + 1 < actions_.size());
}

void ActionForm::showTargets(const Action& action) {
  QStringList screens, things;
  int screen = -1, thing = -1;
  for (const auto& each : work_.project().screens) {
    if (each->id == action.screen) screen = static_cast<int>(screens.size());
    screens << toQt(each->name);
  }
  refill(screen_, screens, screen);
  QStringList languages;
  int language = -1;
  for (const Language& each : work_.project().languages) {
    if (each.id == action.language) language = static_cast<int>(languages.size());
    languages << toQt(each.name);
  }
  refill(language_, languages, language);
  const Screen* on = bristle::find(work_.project(), on_);
  for (const ItemId& id : items(action.type)) {
    if (id == action.item) thing = static_cast<int>(things.size());
    things << toQt(displayName(*findItem(*on, id)));
  }
  refill(item_, things, thing);
}

// A flag and a choice are set to one of what they can be.
void ActionForm::showValue(const Action& action) {
  QStringList values, options;
  int at = -1;
  for (const ProjectValue& each : work_.project().values) {
    if (each.id == action.value) at = static_cast<int>(values.size());
    values << toQt(each.name);
  }
  refill(value_, values, at);
  const ProjectValue* value = bristle::find(work_.project(), action.value);
  const bool sets = action.type == ActionType::Set && value;
  if (sets && value->sort == ValueSort::Flag) options << tr("no") << tr("yes");
  if (sets && value->sort == ValueSort::Choice)
    for (const std::string& each : value->options) options << toQt(each);
  refill(option_, options, static_cast<int>(action.number));
  refill(number_, QString::number(action.number));
  form_.setRowVisible(option_, action.hasValue() && !options.isEmpty());
  const bool amount = action.type == ActionType::Set || action.type == ActionType::Step;
  form_.setRowVisible(number_, amount && options.isEmpty());
}

void ActionForm::hide() {
  for (QWidget* field :
       {static_cast<QWidget*>(do_), static_cast<QWidget*>(screen_), static_cast<QWidget*>(item_),
        static_cast<QWidget*>(value_), static_cast<QWidget*>(option_),
        static_cast<QWidget*>(number_), static_cast<QWidget*>(language_),
        static_cast<QWidget*>(message_), static_cast<QWidget*>(when_)})
    form_.setRowVisible(field, false);
  for (QWidget* each :
       {static_cast<QWidget*>(list_), static_cast<QWidget*>(add_), static_cast<QWidget*>(remove_),
        static_cast<QWidget*>(earlier_), static_cast<QWidget*>(later_)})
    each->hide();
}

}  // namespace bristle
