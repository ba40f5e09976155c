using AbleMend.Core.Figures;
using AbleMend.Core.Finishing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>A grit of a plan: its grade as a figure that may be set by hand, and the grit that it then is.</summary>
internal sealed class PlannedGrit : ITold
{
    private readonly ITold _grade;
    private readonly Derived<Grit> _grit;

    /// <summary>Declares the grade of a grit.</summary>
    /// <param name="job">The job.</param>
    /// <param name="id">Identifier of the figure.</param>
    /// <param name="label">What it is for.</param>
    /// <param name="wanted">The grit that is wanted; the nearest in the drawer is taken.</param>
    /// <param name="rule">Why that one.</param>
    public PlannedGrit(Job job, string id, Message label, string wanted, Message rule)
    {
        var nearest = Grits.Nearest(job.View.Drawer, wanted);
        (_grade, _grit) = nearest.Scale == GritScale.P ? OfP(job, id, label, nearest, rule) : OfCami(job, id, label, nearest, rule);
    }

    /// <value>The grit.</value>
    public Grit Grit => _grit.Value;

    /// <inheritdoc/>
    public Argument Tell(int? decimals) => _grade.Tell(decimals);

    private static (ITold, Derived<Grit>) OfP(Job job, string id, Message label, Grit nearest, Message rule)
    {
        var grade = job.Figure(id, label, () => GradeOfP(nearest.Grade), rule, Source.CommonPractice, knows: value => Grit.TryParse(GritScale.P, value) is not null, between: (1, 10_000));
        return (grade, job.Derive(() => Grit.TryParse(GritScale.P, grade.Grade)!));
    }

    private static (ITold, Derived<Grit>) OfCami(Job job, string id, Message label, Grit nearest, Message rule)
    {
        var grade = job.Figure(id, label, () => GradeOfCami(nearest.Grade), rule, Source.CommonPractice, knows: value => Grit.TryParse(GritScale.Cami, value) is not null, between: (1, 10_000));
        return (grade, job.Derive(() => Grit.TryParse(GritScale.Cami, grade.Grade)!));
    }
}

/// <summary>Grits of the drawer.</summary>
internal static class Grits
{
    /// <summary>The grit in the drawer whose particle is nearest to a wanted one.</summary>
    public static Grit Nearest(IReadOnlyList<Grit> drawer, string wanted)
    {
        var target = Grit.TryParse(wanted)!.MedianUm;
        return drawer.MinBy(grit => Math.Abs(Math.Log(grit.MedianUm / target)))!;
    }
}
