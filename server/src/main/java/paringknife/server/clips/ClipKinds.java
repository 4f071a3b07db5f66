package paringknife.server.clips;

import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import paringknife.core.deliver.DeliverIntent;
import paringknife.core.dress.DressIntent;
import paringknife.core.frame.FrameIntent;
import paringknife.core.frame.Layout;
import paringknife.core.frame.SetFrame;
import paringknife.core.letter.LetterIntent;
import paringknife.core.letter.cue.CaptionEdit;
import paringknife.core.listen.clean.SoundIntent;
import paringknife.core.pare.PareIntent;
import paringknife.core.steps.Intent;
import paringknife.server.web.JsonKinds;

/** What clips' types that come in kinds are called in JSON. */
@Configuration
class ClipKinds {
  @Bean
  JsonKinds intents() {
    Map<String, Class<?>> kinds = new LinkedHashMap<>();
    kinds.put("pareWords", PareIntent.PareWords.class);
    kinds.put("parePauses", PareIntent.ParePauses.class);
    kinds.put("pareFillers", PareIntent.PareFillers.class);
    kinds.put("pareChosenFillers", PareIntent.PareChosenFillers.class);
    kinds.put("treatWords", PareIntent.TreatWords.class);
    kinds.put("putGap", PareIntent.PutGap.class);
    kinds.put("changeGap", PareIntent.ChangeGap.class);
    kinds.put("pareRepeats", PareIntent.PareRepeats.class);
    kinds.put("keepAttempt", PareIntent.KeepAttempt.class);
    kinds.put("parePauseAfter", PareIntent.ParePauseAfter.class);
    kinds.put("moveCut", PareIntent.MoveCut.class);
    kinds.put("fit", PareIntent.Fit.class);
    kinds.put("setSpeed", PareIntent.SetSpeed.class);
    kinds.put("putBackWords", PareIntent.PutBackWords.class);
    kinds.put("putBackRemovals", PareIntent.PutBackRemovals.class);
    kinds.put("putBackReason", PareIntent.PutBackReason.class);
    kinds.put("moveWords", PareIntent.MoveWords.class);
    kinds.put("pullWords", PareIntent.PullWords.class);
    kinds.put("dropStretch", PareIntent.DropStretch.class);
    kinds.put("moveSeam", PareIntent.MoveSeam.class);
    kinds.put("cleanUp", SoundIntent.CleanUp.class);
    kinds.put("reframe", FrameIntent.Reframe.class);
    kinds.put("setManner", FrameIntent.SetManner.class);
    kinds.put("setByHand", FrameIntent.SetByHand.class);
    kinds.put("letGo", FrameIntent.LetGo.class);
    kinds.put("pushInOn", FrameIntent.PushInOn.class);
    kinds.put("changePushIn", FrameIntent.ChangePushIn.class);
    kinds.put("dropPushIns", FrameIntent.DropPushIns.class);
    kinds.put("proposePushIns", FrameIntent.ProposePushIns.class);
    kinds.put("alternate", FrameIntent.Alternate.class);
    kinds.put("changeBehind", FrameIntent.ChangeBehind.class);
    kinds.put("smoothSkin", FrameIntent.SmoothSkin.class);
    kinds.put("chooseBackdrop", FrameIntent.ChooseBackdrop.class);
    kinds.put("changeLook", FrameIntent.ChangeLook.class);
    kinds.put("changeCameraLook", FrameIntent.ChangeCameraLook.class);
    kinds.put("matchColours", FrameIntent.MatchColours.class);
    kinds.put("cutTo", FrameIntent.CutTo.class);
    kinds.put("dropCameraCuts", FrameIntent.DropCameraCuts.class);
    addDrawn(kinds);
    addDelivered(kinds);
    return new JsonKinds(Intent.class, kinds);
  }

  /** Of captions, and of what is laid over. */
  private static void addDrawn(Map<String, Class<?>> kinds) {
    kinds.put("letter", LetterIntent.Letter.class);
    kinds.put("restyle", LetterIntent.Restyle.class);
    kinds.put("rebreak", LetterIntent.Rebreak.class);
    kinds.put("leaveOut", LetterIntent.LeaveOut.class);
    kinds.put("useCaptions", LetterIntent.UseCaptions.class);
    kinds.put("editCaptions", LetterIntent.EditCaptions.class);
    kinds.put("letCaptionsBe", LetterIntent.LetCaptionsBe.class);
    kinds.put("retype", LetterIntent.Retype.class);
    kinds.put("shiftCaptions", LetterIntent.Shift.class);
    kinds.put("replaceInCaptions", LetterIntent.ReplaceInCaptions.class);
    kinds.put("translate", LetterIntent.Translate.class);
    kinds.put("takeProposals", LetterIntent.TakeProposals.class);
    kinds.put("useLanguage", LetterIntent.UseLanguage.class);
    kinds.put("dropLanguage", LetterIntent.DropLanguage.class);
    kinds.put("layLogo", DressIntent.LayLogo.class);
    kinds.put("showNames", DressIntent.ShowNames.class);
    kinds.put("callOut", DressIntent.CallOutOn.class);
    kinds.put("dropCallOut", DressIntent.DropCallOut.class);
    kinds.put("setCallOuts", DressIntent.SetCallOuts.class);
  }

  private static void addDelivered(Map<String, Class<?>> kinds) {
    kinds.put("rename", DeliverIntent.Rename.class);
    kinds.put("askFor", DeliverIntent.AskFor.class);
    kinds.put("writePost", DeliverIntent.WritePost.class);
    kinds.put("waive", DeliverIntent.Waive.class);
    kinds.put("chooseCover", DeliverIntent.ChooseCover.class);
  }

  @Bean
  JsonKinds layouts() {
    return new JsonKinds(
        Layout.class,
        Map.of(
            "speaker", Layout.Speaker.class,
            "one", Layout.One.class,
            "middle", Layout.Middle.class,
            "whole", Layout.Whole.class,
            "together", Layout.Together.class,
            "conversation", Layout.Conversation.class));
  }

  @Bean
  JsonKinds extents() {
    return new JsonKinds(
        SetFrame.Extent.class,
        Map.of(
            "stretch", SetFrame.Extent.Stretch.class,
            "shot", SetFrame.Extent.Shot.class,
            "fromHere", SetFrame.Extent.FromHere.class,
            "speaking", SetFrame.Extent.Speaking.class));
  }

  @Bean
  JsonKinds shown() {
    return new JsonKinds(
        SetFrame.Shown.class,
        Map.of(
            "laid", SetFrame.Shown.Laid.class,
            "still", SetFrame.Shown.Still.class,
            "travel", SetFrame.Shown.Travel.class));
  }

  @Bean
  JsonKinds captionEdits() {
    return new JsonKinds(
        CaptionEdit.class,
        Map.ofEntries(
            Map.entry("breakBefore", CaptionEdit.BreakBefore.class),
            Map.entry("goOnWith", CaptionEdit.GoOnWith.class),
            Map.entry("breakAfter", CaptionEdit.BreakAfter.class),
            Map.entry("lineBefore", CaptionEdit.LineBefore.class),
            Map.entry("bindToLast", CaptionEdit.BindToLast.class),
            Map.entry("showAs", CaptionEdit.ShowAs.class),
            Map.entry("begin", CaptionEdit.Begin.class),
            Map.entry("end", CaptionEdit.End.class),
            Map.entry("added", CaptionEdit.Added.class),
            Map.entry("styled", CaptionEdit.Styled.class),
            Map.entry("key", CaptionEdit.Key.class),
            Map.entry("placed", CaptionEdit.Placed.class)));
  }
}
