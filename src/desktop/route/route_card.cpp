#include "desktop/route/route_card.h"

#include <QVBoxLayout>

#include "core/derive/route_words.h"
#include "core/edit/route_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/route/answer_form.h"
#include "desktop/route/carries_form.h"
#include "desktop/route/cluster_form.h"
#include "desktop/route/quality_panel.h"
#include "desktop/route/rose.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

QString dirName(Dir dir) {
  const QString names[] = {QObject::tr("Up"), QObject::tr("Down"), QObject::tr("Left"),
                           QObject::tr("Right")};
  return names[size_t(dir)];
}

}  // namespace

RouteCard::RouteCard(Work& work) : work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  Form* form = form_ = new Form;
  column->addWidget(form);
  head_ = form->heading(QString());
  rose_ = new Rose;
  form->wide(rose_);
  connect(rose_, &Rose::dirPicked, this, [this](Dir dir) { work_.pickDir(dir); });
  for (Dir dir : kDirs)
    choices_[size_t(dir)] =
        form->choice(dirName(dir), {}, [this, dir](int i) { setFromChoice(dir, i); });
  own_ = form->check(tr("Differs on this display"), [this](bool on) { setOwn(on); });
  own_->setToolTip(tr("The picked direction has a route of its own on the display that is shown"));
  entry_ = form->check(tr("Focus starts here"), [this](bool on) {
    if (work_.item()) work_.perform(setEntry(work_.screen()->id, on ? work_.item()->id : ItemId{}));
  });
  like_ = form->choice(tr("Routes as in"), {}, [this](int i) {
    if (i > 0 && size_t(i) <= likes_.size() && work_.item())
      work_.perform(routesLike(work_.screen()->id, work_.item()->parent, likes_[size_t(i) - 1]));
  });
  like_->setToolTip(
      tr("All buttons beside it get the routes of those in another group, one after the other"));
  // In the order in which they stand, which is that of Tab, too. Above what grows, so that pressing
  // one of its figures again finds it in the same place.
  column->addWidget(quality_ = new QualityPanel(work));
  column->addWidget(whyForm_ = new Form);
  column->addWidget(carries_ = new CarriesForm(work));
  column->addWidget(answers_ = new AnswerForm(work));
  column->addWidget(clusters_ = new ClusterForm(work));
  column->addStretch();
  whyHead_ = whyForm_->heading(QString());
  why_ = whyForm_->note(QString());
  why_->setTextFormat(Qt::RichText);
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

QString RouteCard::nameOfBox(int box) const {
  return toQt(displayName(*work_.screen()->items[size_t(work_.routes().items[size_t(box)])]));
}

void RouteCard::setFromChoice(Dir dir, int index) {
  const int box = work_.pickedBox();
  if (box < 0) return;
  RouteRule rule;
  if (index == 1) rule.type = RouteType::Closed;
  if (index == 2) rule.type = RouteType::Wrap;
  if (index >= 3) {
    const int target =
        index - 3 >= box ? index - 2 : index - 3;  // the button itself is not offered
    rule = {RouteType::Pinned,
            work_.screen()->items[size_t(work_.routes().items[size_t(target)])]->id};
  }
  work_.pickDir(dir);
  set(dir, std::move(rule));
}

// Where this display has a rule of its own that is the one which is set.
void RouteCard::set(Dir dir, RouteRule rule) {
  const ScreenId screen = work_.screen()->id;
  const ItemId item = work_.item()->id;
  work_.perform(isOwn(dir) ? setRouteOn(screen, item, dir, work_.picked().display, rule)
                           : setRoute(screen, item, dir, rule));
}

bool RouteCard::isOwn(Dir dir) const {
  const auto& where = work_.item()->button()->routes.where;
  return std::any_of(where.begin(), where.end(), [&](const RouteException& each) {
    return each.dir == dir && each.display == work_.picked().display && !each.language;
  });
}

void RouteCard::setOwn(bool on) {
  if (work_.pickedBox() < 0) return;
  const Dir dir = work_.picked().dir;
  std::optional<RouteRule> rule;
  if (on) rule = work_.item()->button()->routes[dir];
  work_.perform(
      setRouteOn(work_.screen()->id, work_.item()->id, dir, work_.picked().display, rule));
}

void RouteCard::refreshRoutes(int box) {
  const ScreenRoutes& routes = work_.routes();
  std::array<Rose::Arm, 4> arms;
  for (Dir dir : kDirs) {
    QComboBox* choice = choices_[size_t(dir)];
    choice->setEnabled(box >= 0);
    QStringList names{tr("solved"), tr("closed"), tr("wraps round")};
    int current = 0;
    if (box >= 0) {
      const RouteRule& rule =
          work_.item()->button()->routes.on(work_.picked().display, work_.language().id, dir);
      const Route& route = routes.output.routes[size_t(box)][size_t(dir)];
      for (size_t b = 0; b < routes.items.size(); ++b)
        if (static_cast<int>(b) != box)
          names << tr("pinned to %1").arg(nameOfBox(static_cast<int>(b)));
      Rose::Arm& arm = arms[size_t(dir)];
      arm.type = rule.type;
      arm.leads = route.target >= 0;
      arm.returns = route.returns;
      arm.text = arm.leads                        ? nameOfBox(route.target)
                 : rule.type == RouteType::Closed ? tr("closed")
                                                  : tr("nothing");
      names[0] = rule.type == RouteType::Solved && arm.leads ? tr("solved: %1").arg(arm.text)
                                                             : tr("solved");
      if (rule.type == RouteType::Closed) current = 1;
      if (rule.type == RouteType::Wrap) current = 2;
      if (rule.type == RouteType::Pinned && route.target >= 0)
        current = route.target > box ? route.target + 2 : route.target + 3;
    }
    refill(choice, names, current);
  }
  rose_->set(arms, work_.picked().dir);
  const Display* display = work_.display();
  own_->setVisible(display && work_.project().displays.size() > 1);
  own_->setEnabled(box >= 0);
  if (display)
    own_->setText(tr("%1 differs on %2").arg(dirName(work_.picked().dir), toQt(display->name)));
  refill(own_, box >= 0 && isOwn(work_.picked().dir));
}

void RouteCard::refreshWhy(int box) {
  const Dir dir = work_.picked().dir;
  whyHead_->setText(tr("WHY %1").arg(toQt(std::string(nameOf(dir))).toUpper()));
  whyForm_->setVisible(box >= 0);
  if (box < 0) return;
  const ScreenRoutes& routes = work_.routes();
  const auto name = [this](int i) { return fromQt(nameOfBox(i)); };
  QString text = tr("<p style='margin:0 0 8px 0'>%1</p>")
                     .arg(toQt(reasonInWords(routes, box, dir)).toHtmlEscaped());
  int place = 1;
  for (const RankedCandidate& c : rank(routes, box, dir, 5))
    text += tr("<p style='margin:0 0 6px 0'><b>%1 %2</b><br>%3, %4</p>")
                .arg(place++)
                .arg(nameOfBox(c.target).toHtmlEscaped(), toQt(whereInWords(c)).toHtmlEscaped(),
                     toQt(verdictInWords(c, name)).toHtmlEscaped());
  why_->setText(text);
}

void RouteCard::refreshLike(int box) {
  likes_.clear();
  QStringList names{tr("another group…")};
  if (box >= 0) likes_ = groupsLike(*work_.screen(), work_.item()->parent);
  for (const ItemId& id : likes_) names << toQt(displayName(*findItem(*work_.screen(), id)));
  refill(like_, names, 0);
  form_->setRowVisible(like_, !likes_.empty());
}

void RouteCard::refresh() {
  const int box = work_.pickedBox();
  const bool aside = box < 0 && work_.item() && work_.item()->button();
  head_->setText(aside     ? toQt(displayName(*work_.item())).toUpper()
                 : box < 0 ? tr("PICK A BUTTON")
                           : nameOfBox(box).toUpper());
  entry_->setEnabled(box >= 0);
  refill(entry_, box >= 0 && work_.screen()->entry == work_.item()->id);
  refreshRoutes(box);
  refreshLike(box);
  refreshWhy(box);
  carries_->refresh();
  answers_->refresh();
  clusters_->refresh();
}

}  // namespace bristle
