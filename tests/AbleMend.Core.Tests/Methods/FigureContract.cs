using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.Methods;

/// <summary>
/// A plan cannot contradict itself: each figure of each worked case is set by hand, more and less, and whatever has it in its
/// ancestry follows, nothing else moves, and no sentence, wait, patch or drawing goes on showing the old value.
/// </summary>
public class FigureContract
{
    private static readonly Dictionary<string, RepairPlan> Plans = GalleryTests.Ids.ToDictionary(id => id, id => GalleryTests.Read(id).Planned());

    // What several damages of an item share is tested beside the sharing.
    public static TheoryData<string> Worked => [.. GalleryTests.Ids.Where(id => Plans[id] is { Damages.Count: 1 } plan && plan.System is not null)];

    [Theory]
    [MemberData(nameof(Worked))]
    public void Whatever_rests_on_a_figure_that_is_set_follows_and_nothing_else_moves(string id)
    {
        var before = Plans[id];
        foreach (var figure in before.Figures.Where(each => each.Kind is FigureKind.Worked or FigureKind.Constant))
        {
            foreach (var value in Settings(figure))
            {
                Check(id, before, figure, value);
            }
        }
    }

    [Theory]
    [MemberData(nameof(Worked))]
    public void Every_reason_unfolds_down_to_the_ground(string id)
    {
        var figures = Plans[id].Figures.ToDictionary(figure => figure.Id);
        foreach (var figure in figures.Values)
        {
            figure.Derivation.Inputs.ShouldAllBe(input => figures.ContainsKey(input), figure.Id);
            Ancestors(figures, figure.Id).ShouldNotContain(figure.Id);
            if (figure.Derivation.Inputs.Count > 0)
            {
                figure.Kind.ShouldBeOneOf(FigureKind.Worked, FigureKind.Shape);
            }
        }
    }

    [Theory]
    [MemberData(nameof(Worked))]
    public void A_figure_calls_itself_no_firmer_than_the_weakest_that_it_rests_on(string id)
    {
        var figures = Plans[id].Figures.ToDictionary(figure => figure.Id);
        foreach (var figure in figures.Values)
        {
            var grounds = Ancestors(figures, figure.Id).Append(figure.Id).Select(each => figures[each].Derivation.Source.Kind).ToList();
            if (grounds.Contains(SourceKind.FromMemory))
            {
                figure.FoundedOn.ShouldBe(SourceKind.FromMemory, figure.Id);
            }
        }
    }

    [Theory]
    [MemberData(nameof(Worked))]
    public void What_stands_in_a_sentence_is_the_figure(string id)
    {
        var plan = Plans[id];
        foreach (var (figure, value) in Mentions(plan))
        {
            plan.Figure(figure).Value.ShouldBe(value, $"{id}: a sentence says {value} of {figure}");
        }
    }

    [Theory]
    [MemberData(nameof(Worked))]
    public void Facts_and_labels_are_changed_where_they_stand(string id)
    {
        foreach (var figure in Plans[id].Figures.Where(each => each.Kind is FigureKind.Fact or FigureKind.Label or FigureKind.Shape))
        {
            Set(id, figure.Id, figure.Value == 0 ? 1 : figure.Value * 1.1).Problems.Select(problem => problem.Code).ShouldBe(["not-set-by-hand"], figure.Id);
        }
    }

    private static void Check(string id, RepairPlan before, Figure figure, double value)
    {
        var outcome = Set(id, figure.Id, value);
        if (outcome.Problems.Any(problem => problem.Code is "out-of-range"))
        {
            // A figure at the end of its range cannot go further: that is said, and nothing is planned.
            return;
        }

        outcome.Problems.ShouldBeEmpty($"{id}: {figure.Id} set to {value}");
        var after = outcome.Value!;
        var told = $"{id}: {figure.Id} set from {figure.Value} to {value}";
        after.Figure(figure.Id).Value.ShouldBe(value, told);
        after.Figure(figure.Id).SetByHand!.Computed.ShouldBe(figure.Value, 1e-9, told);
        var (then, now) = (before.Figures.ToDictionary(each => each.Id), after.Figures.ToDictionary(each => each.Id));
        foreach (var other in before.Figures.Where(each => each.Id != figure.Id && now.ContainsKey(each.Id)))
        {
            if (!Ancestors(then, other.Id).Contains(figure.Id) && !Ancestors(now, other.Id).Contains(figure.Id))
            {
                now[other.Id].Value.ShouldBe(other.Value, 1e-9, $"{told} moved {other.Id}, which does not rest on it");
            }
        }

        foreach (var (mentioned, said) in Mentions(after))
        {
            now[mentioned].Value.ShouldBe(said, told);
        }

        foreach (var wait in after.Steps.Select(step => step.Timing.Wait).Where(wait => wait?.Because == figure.Id))
        {
            wait!.OpensMin.ShouldNotBe(before.Steps.Select(step => step.Timing.Wait).First(each => each?.Because == figure.Id)!.OpensMin, told);
        }

        after.Candidates.Single(each => (each.Method, each.Material) == (after.System!.Method, after.System.Material)).MinutesToUse
            .ShouldBe((after.ReadyAt - after.StartAt)?.TotalMinutes, $"{told}: the ranking promises another time than the plan");
        Stale(after, now, figure).ShouldBeEmpty($"{told}: these sentences still say the old one");
        StaleCorners(before, after, figure).ShouldBeEmpty($"{told}: these corners stayed");
    }

    /// <summary>Sentences of the later plan that still say the old value by itself, in a step that the figure belongs to or that rests on it.</summary>
    private static IEnumerable<string> Stale(RepairPlan after, IReadOnlyDictionary<string, Figure> now, Figure old) =>
        after.Steps
            .Where(step => step.Figures.Any(shown => shown == old.Id || Ancestors(now, shown).Contains(old.Id)))
            .SelectMany(Sentences)
            .Where(sentence => Measures(sentence).Any(measure => measure.Figure is null && measure.Unit == old.Unit && Math.Abs(measure.Value - old.Value) < 1e-9))
            .Select(sentence => sentence.ToString());

    /// <summary>Corners of the drawing that stayed where the old value, or half of it, had put them.</summary>
    private static IEnumerable<string> StaleCorners(RepairPlan before, RepairPlan after, Figure old)
    {
        if (old.Unit != "mm" || !before.Steps.Any(step => step.Figures.Contains(old.Id)))
        {
            return [];
        }

        // A corner that another figure puts there as well tells nothing.
        var others = before.Figures.Where(figure => figure.Id != old.Id && figure.Unit == "mm").Select(figure => figure.Value).ToList();
        bool Is(double corner) => others.All(other => Math.Abs(Math.Abs(corner) - other) > 0.006 && Math.Abs(Math.Abs(corner) - (other / 2)) > 0.006) && Near(corner);
        bool Near(double corner) => Math.Abs(Math.Abs(corner) - old.Value) < 0.006 || Math.Abs(Math.Abs(corner) - (old.Value / 2)) < 0.006;
        return before.Drawing.Marks.Zip(after.Drawing.Marks)
            .Where(pair => pair.First.Id == pair.Second.Id && pair.First.Points.Count == pair.Second.Points.Count)
            .SelectMany(pair => pair.First.Points.Zip(pair.Second.Points).Where(points => points.First == points.Second && (Is(points.First.X) || Is(points.First.Y))).Select(points => $"{pair.First.Id} {points.First}"));
    }

    /// <summary>A tenth more and a tenth less; one more and one less of what is counted; the next grades of a scale.</summary>
    private static IEnumerable<double> Settings(Figure figure) =>
        figure.Unit switch
        {
            "P" => new double[] { 60, 80, 100, 120, 150, 180, 220, 240 }.Where(grade => grade != figure.Value).Take(2),
            "" or "drops" => new[] { figure.Value + 1, figure.Value - 1 }.Where(value => value > 0),
            _ => [figure.Value * 1.1, figure.Value * 0.9],
        };

    private static Outcome<RepairPlan> Set(string id, string figure, double value) =>
        Cases.Planner.Plan(GalleryTests.Read(id).ByHand([new Override(figure, value, "tried by hand")]));

    private static IReadOnlySet<string> Ancestors(IReadOnlyDictionary<string, Figure> figures, string id)
    {
        var seen = new HashSet<string>();
        var waiting = new Stack<string>(figures[id].Derivation.Inputs);
        while (waiting.TryPop(out var next))
        {
            if (seen.Add(next))
            {
                foreach (var input in figures[next].Derivation.Inputs)
                {
                    waiting.Push(input);
                }
            }
        }

        return seen;
    }

    private static IEnumerable<(string Figure, double Value)> Mentions(RepairPlan plan) =>
        plan.Steps.SelectMany(Sentences).SelectMany(Measures).Where(measure => measure.Figure is not null).Select(measure => (measure.Figure!, measure.Value));

    private static IEnumerable<Message> Sentences(PlanStep step) =>
        new[] { step.Title, step.Instruction, step.DoNotForget, step.Timing.Wait?.Check, step.Timing.Wait?.WhenLate }.OfType<Message>();

    private static IEnumerable<MeasureArgument> Measures(Message message) =>
        message.Arguments.SelectMany(argument => argument switch
        {
            MeasureArgument measure => [measure],
            MessageArgument inner => Measures(inner.Message),
            _ => Array.Empty<MeasureArgument>(),
        });
}
