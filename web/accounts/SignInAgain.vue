<script setup lang="ts">
import { useSession } from '../stores/session.ts'
import SignInForm from './SignInForm.vue'

const session = useSession()
</script>

<template>
  <el-dialog
    :model-value="true"
    title="Sign in again"
    :width="420"
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
    append-to-body
    align-center
  >
    <p class="quiet" style="margin-bottom: 12px">
      Your session ran out. Nothing you typed is lost: sign in, and the work goes on.
    </p>
    <SignInForm :email="session.person?.email ?? ''" />
  </el-dialog>
</template>
