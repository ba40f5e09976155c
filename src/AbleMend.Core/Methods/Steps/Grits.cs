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
    /// <param name="wanted">The grit that is wanted; the nearest in the drawer is taken, where one is near enough.</param>
    /// <param name="rule">Why that one.</param>
    public PlannedGrit(Job job, string id, Message label, string wanted, Message rule)
    {
        var nearest = job.Nearest(wanted);
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
    /// <summary>How far a particle may be from a wanted one and still do its work: P100 squares an edge as P60 does, only slower. From memory.</summary>
    public const double NearEnough = 1.7;

    /// <summary>A grit that a step asks for, as a figure.</summary>
    public static PlannedGrit Grit(this Job job, string id, Message label, string wanted) =>
        new(job, id, label, wanted, $"{wanted:as-is} for this; the nearest grit in the drawer");

    /// <summary>The grit in the drawer whose particle is nearest to a wanted one; the wanted one itself, to buy, where none is near enough.</summary>
    /// <param name="job">The job.</param>
    /// <param name="wanted">The grit that is wanted.</param>
    /// <param name="within">How far its particle may be from that.</param>
    public static Grit Nearest(this Job job, string wanted, double within = NearEnough)
    {
        var target = Finishing.Grit.TryParse(wanted)!;
        var nearest = job.View.Drawer.MinBy(grit => Apart(grit, target))!;
        if (Apart(nearest, target) <= Math.Log(within))
        {
            return nearest;
        }

        job.MissingGrits.Add(wanted);
        return target;
    }

    private static double Apart(Grit one, Grit other) => Math.Abs(Math.Log(one.MedianUm / other.MedianUm));
}
