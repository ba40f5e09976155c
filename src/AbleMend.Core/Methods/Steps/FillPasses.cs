using AbleMend.Core.Figures;
using AbleMend.Core.Materials;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>A fill in passes that wait for each other: what sets in its cup is mixed pass by pass, what only light sets is mixed once.</summary>
internal sealed class FillPasses(Job job, Figure<Length> depth, Figure<Volume> need, Figure<Length> proud)
{
    private readonly Material _resin = job.Main;

    /// <summary>Lays the fill.</summary>
    public void Lay()
    {
        var passes = Passes();
        if (passes.N <= 1 || KeepsInTheDark)
        {
            InOne(passes);
            return;
        }

        var (all, each) = ((int)passes.N, EachNeeds(passes));
        for (var pass = 1; pass <= all; pass++)
        {
            Pass(pass, all, each);
        }
    }

    private bool KeepsInTheDark => _resin.Light is not null && !Recipes.UsesPeroxide(job);

    /// <summary>Layers that light cures at once, or by the default school thin passes of what heats.</summary>
    private Figure<Count> Passes()
    {
        if (_resin.Light is not null)
        {
            return job.Figure("fill.layers", "Layers", () => Count(Math.Ceiling(depth.Mm / job.Label.LightLayer.Mm)), "Depth ÷ the most that light cures at once, rounded up", Source.Arithmetic, between: (1, 60));
        }

        var pass = job.Constant("fill.pass", "Thickest pass", Mm(12), Source.FromMemory("Thickness of a pass: more traps air and heats"));
        var thin = job.View.School("fill-thickness") == "thin-passes";
        return job.Figure("fill.layers", "Passes", () => Count(thin ? Math.Max(1, Math.Ceiling(depth.Mm / pass.Mm)) : 1),
            "Depth ÷ one thin pass, rounded up: thin passes trap less air and heat less; one by the other school", Source.CommonPractice, between: (1, 60));
    }

    private Figure<Volume> EachNeeds(Figure<Count> passes)
    {
        var loss = job.CupLoss();
        return job.Figure("fill.each", "One pass needs", () => Ml(((need.Ml - loss.Ml) / passes.N) + loss.Ml), "What is needed ÷ passes, and what stays in each cup", Source.Arithmetic, 1);
    }

    private Message Tint => job.View.Case.Wanted.Tint ? "Tint the bare foam first. " : Message.Empty;

    private void InOne(Figure<Count> layers)
    {
        job.Mix(new MixOrder("fill", "Mix the fill", "then the filler until it stands", need, job.SpreadingTime("fill", 5), job.Materials.Filler, true));
        Message layered = layers.N <= 1 ? Message.Empty : $"Work in {layers} layers, each set in the light before the next. ";
        var wait = job.Sandable(job.Label, "fill-mix").OfLayers(layers.N);
        job.Do("fill", Stage.Apply, "Fill it, a little proud",
            $"{Tint}{layered}{PressIn}", 5 * layers.N, Witness, wait with { OpensMin = CureMin(wait.OpensMin.CureMin * Math.Max(1, layers.N)) }, draws: ["fill"], follows: true, shows: [proud]);
    }

    private void Pass(int pass, int all, Figure<Volume> each)
    {
        var (prefix, last) = (pass == 1 ? "fill" : $"fill-{pass}", pass == all);
        job.Mix(new MixOrder(prefix, $"Mix pass {pass} of {all}", "then the filler until it stands", each, job.SpreadingTime(prefix, 5), job.Materials.Filler, last));
        Message tint = pass == 1 ? Tint : Message.Empty;
        job.Do(prefix, Stage.Apply, last ? "Last pass, a little proud" : (Message)$"Fill pass {pass} of {all}",
            last ? (Message)$"{tint}{PressIn}" : $"{tint}Press it into the corners with a card so that no air is left, and leave its face rough: the next pass holds on it.",
            5, Witness, last || _resin.Light is not null ? job.Sandable(job.Label, $"{prefix}-mix") : job.Recoat(job.Label, $"{prefix}-mix"), draws: ["fill"], follows: true, shows: last ? [proud] : null);
    }

    private Message PressIn => $"Press it into the corners with a card so that no air is left, draw it off {proud} proud. Set a stick in a drip beside it as witness.";

    private static Message Witness => "Leave a witness of the same mix beside it.";
}
